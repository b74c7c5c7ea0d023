import { describe, expect, test } from 'vitest'
import { surfaces } from '../testing/places'
import { composePlan, type FaceMetrics } from './compose-plan'
import { contrast } from './contrast'
import { designs, wantsPicture } from './designs'
import { readTemplates } from './read-templates'

const face: FaceMetrics = { measure: (text, sizePx) => text.length * sizePx * 0.5, ascent: 0.9, descent: 0.2 }
const COLORS = [null, '#7a1f3d', '#f2e9d8', '#ffffff', '#000000', '#0a7d4d', '#ffd400', '#8a8a8a']
const TITLES = ['Lamp', 'Rewire a table lamp safely in one evening', 'מדריך לתיקון מנורה']

describe.each(COLORS)('designs in %s', (color) => {
  const all = designs(color)

  test('there are eight, each set otherwise, and each can be saved and read again', () => {
    expect(new Set(all.map(({ id }) => id)).size).toBe(8)
    expect(new Set(all.map(({ template }) => JSON.stringify(template))).size).toBe(8)
    expect(all.filter(({ template }) => wantsPicture(template)).length).toBeGreaterThanOrEqual(5)
    const sections = Object.fromEntries(all.map(({ id, template }) => [`/${id}/*`, template]))
    const text = JSON.stringify({ format: 'nimble-parrot-picture-templates', version: 1, sections })
    expect(readTemplates(text)).toMatchObject({ ok: true })
  })

  test.each(all.map(({ id, template }) => [id, template] as const))(
    '%s: what is written lies beside the picture, under no accent, within what the places keep',
    (_id, template) => {
      for (const title of TITLES) {
        const plan = composePlan(template, { title, line: 'Guides', mark: 'Brasswick' }, null, face, surfaces)
        expect(plan.isCut, title).toBe(false)
        const { inside, zone, panel, titleBox } = plan
        expect(inside.x).toBeGreaterThanOrEqual(zone!.x)
        expect(inside.x + inside.width).toBeLessThanOrEqual(zone!.x + zone!.width)
        const meets = (box: { x: number; y: number; width: number; height: number }) =>
          box.x < titleBox.x + titleBox.width &&
          titleBox.x < box.x + box.width &&
          box.y < titleBox.y + titleBox.height &&
          titleBox.y < box.y + box.height
        if (panel) expect(meets(panel), title).toBe(false)
        for (const accent of plan.accents) expect(meets(accent), title).toBe(false)
      }
    },
  )

  test('letters are read on their ground, and the accent is seen', () => {
    for (const { id, template } of all) {
      const { background } = template
      const own =
        background.kind === 'color'
          ? [background.color]
          : background.kind === 'gradient'
            ? [background.from, background.to]
            : ['#0c1512']
      for (const ground of own) {
        expect(contrast(ground, template.color), `${id} on ${ground}`).toBeGreaterThanOrEqual(4.5)
        if (template.accent && background.kind !== 'gradient')
          expect(contrast(ground, template.accent.color), `${id} accent`).toBeGreaterThanOrEqual(1.8)
      }
    }
  })
})
