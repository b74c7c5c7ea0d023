import { expect, it } from 'vitest'
import { surfaceOf, surfaces } from '../testing/places'
import { readSurfaces, surfaceAsFile, withSurfaces } from './read-surfaces'

const chat = surfaceOf('team-chat')!
const own = { ...chat, id: 'hall-intranet', name: 'Hall intranet' }

it.each(surfaces.map((surface) => [surface.id, surface] as const))(
  '%s leaves as a file and comes back',
  (_id, surface) => expect(readSurfaces(surfaceAsFile(surface))).toEqual({ ok: true, surfaces: [surface] }),
)

it('reads a list', () =>
  expect(readSurfaces(JSON.stringify([own, chat]))).toMatchObject({
    ok: true,
    surfaces: [{ id: 'hall-intranet' }, { id: 'team-chat' }],
  }))

it.each<[string, unknown, string]>([
  [
    'a box that is too small to be one',
    { ...own, boxes: { text: { title: { ...chat.boxes.text.title!, sizePx: -1 }, description: null } } },
    'boxes.text.title.sizePx',
  ],
  ['a layout that there is not', { ...own, layoutBy: 'pictures' }, 'layoutBy'],
  ['an id with a space', { ...own, id: 'Hall intranet' }, 'id'],
  ['an id that would be something else', { ...own, id: '__proto__' }, 'id'],
  ['a list with a fault in it', [chat, { ...own, favicon: 'yes' }], '[1].favicon'],
  ['the same id twice', [own, own], 'id'],
])('names %s', (_name, value, path) => {
  const read = readSurfaces(JSON.stringify(value))
  expect(read.ok ? [] : read.faults.map((fault) => fault.path)).toContain(path)
})

it('says what is allowed, and what was meant', () => {
  const read = readSurfaces(JSON.stringify({ ...own, layoutBy: 'pictures' }))
  expect(read.ok ? '' : read.faults[0]!.message).toContain('Is “picture” meant?')
})

it('refuses an empty list and what is no JSON', () => {
  expect(readSurfaces('[]').ok).toBe(false)
  expect(readSurfaces('{').ok).toBe(false)
})

it('puts one in, or in the place of the one with its id', () => {
  expect(withSurfaces([chat], [own]).map(({ id }) => id)).toEqual(['team-chat', 'hall-intranet'])
  const changed = { ...own, name: 'Hall net' }
  expect(withSurfaces([own, chat], [changed]).map(({ name }) => name)).toEqual([chat.name, 'Hall net'])
})
