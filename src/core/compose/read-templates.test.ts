import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { filesNamedBy, readTemplates, templatesJsonSchema } from './read-templates'
import { firstTemplate, type PictureTemplate } from './template'

const file = (template: unknown) =>
  JSON.stringify({
    format: 'nimble-parrot-picture-templates',
    version: 1,
    sections: { '/guides/*': template },
  })
const first = firstTemplate(null)

function faultOf(template: unknown): string {
  const read = readTemplates(file(template))
  if (read.ok) throw new Error('no fault was found')
  expect(read.faults).toHaveLength(1)
  return `${read.faults[0]!.path}: ${read.faults[0]!.message}`
}

describe('readTemplates', () => {
  it('reads what the app begins with', () => {
    expect(readTemplates(file(first))).toMatchObject({ ok: true, templates: { sections: { '/guides/*': first } } })
    expect(readTemplates(`\uFEFF${file(first)}`).ok).toBe(true)
  })

  it.each<[string, unknown, string]>([
    [
      'a field with a slip',
      { ...first, marign: 3 },
      'sections["/guides/*"].marign: There is no such field. Is “margin” meant?',
    ],
    [
      'a kind of background with a slip',
      { ...first, background: { kind: 'colour', color: '#123456' } },
      'sections["/guides/*"].background.kind: It is "colour"; allowed are color, gradient, picture. Is “color” meant?',
    ],
    [
      'a field of another kind of background',
      { ...first, background: { kind: 'color', color: '#123456', angel: 1 } },
      'sections["/guides/*"].background.angel: There is no such field. Allowed are kind, color.',
    ],
    [
      'a colour that is none',
      { ...first, color: 'red' },
      'sections["/guides/*"].color: It is "red": a colour is written #rrggbb.',
    ],
    [
      'a pattern that is never closed',
      { ...first, title: { ...first.title, text: '{title' } },
      'sections["/guides/*"].title.text: This { is never closed.',
    ],
    [
      'sizes the wrong way round',
      { ...first, title: { ...first.title, smallest: 120 } },
      'sections["/guides/*"].title.smallest: It is 120; it must not be more than largest, 104.',
    ],
    [
      'a place that there is not',
      { ...first, places: ['wide-feed', 'microblo'] },
      'sections["/guides/*"].places[1]: There is no surface “microblo”. Is “microblog” meant?',
    ],
    [
      'a folder that climbs',
      { ...first, folder: '../share/' },
      'sections["/guides/*"].folder: It is "../share/": a folder beneath the site ends with / and begins without.',
    ],
  ])('names %s', (_what, template, fault) => expect(faultOf(template)).toBe(fault))

  it.each(['../logo.png', '/logo.png', 'a/../../logo.png', '\\\\host\\logo.png', 'https:..\\x'])(
    'takes no file outside its folder: %s',
    (name) => expect(faultOf({ ...first, mark: { ...first.mark, file: name } })).toContain('mark.file'),
  )

  it('takes a file in a folder beneath, and one whose name has two dots', () => {
    const template: PictureTemplate = {
      ...first,
      mark: { ...first.mark!, file: 'art/logo..v2.svg' },
      face: { ...first.face, file: 'faces/hall.woff2' },
    }
    const read = readTemplates(file(template))
    expect(read.ok && filesNamedBy(read.templates)).toEqual(['faces/hall.woff2', 'art/logo..v2.svg'])
  })

  it('says that a text is no JSON', () =>
    expect(readTemplates('{')).toMatchObject({ ok: false, faults: [{ path: 'the file' }] }))
})

describe('docs', () => {
  const doc = (name: string) => readFileSync(new URL(`../../../docs/${name}`, import.meta.url), 'utf8')

  it('picture-templates.schema.json is what the schema says: npm run docs', () =>
    expect(JSON.parse(doc('picture-templates.schema.json'))).toEqual(JSON.parse(JSON.stringify(templatesJsonSchema()))))

  it('the example in picture-templates.md can be read', () => {
    const example = /```json\n([\s\S]+?)```/.exec(doc('picture-templates.md'))![1]!
    expect(readTemplates(example)).toMatchObject({ ok: true, templates: { sections: { '/people/*': {} } } })
  })
})
