import { readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { surfaces } from '../testing/places'
import { Surface } from './profile'

describe('profiles', () => {
  test('every file of the folder is in the list, once', () => {
    const files = readdirSync(new URL('./profiles', import.meta.url)).filter((name) => name !== 'index.ts')
    expect(surfaces.map(({ id }) => `${id}.ts`).sort()).toEqual(files.sort())
  })

  test.each(surfaces.map((surface) => [surface.id, surface] as const))(
    '%s fits the schema, and no box is out of proportion',
    (_id, surface) => {
      expect(Surface.parse(surface)).toEqual(surface)
      for (const pair of Object.values(surface.boxes)) {
        for (const box of [pair?.title, pair?.description])
          if (box) expect(box.widthPx / box.sizePx).toBeGreaterThan(10)
      }
      if (surface.picture)
        expect(surface.picture.largeFrom.value.width).toBeGreaterThanOrEqual(surface.picture.least.value.width)
    },
  )
})
