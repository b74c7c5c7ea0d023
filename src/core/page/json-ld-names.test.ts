import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { describedNames, jsonStringInScript, placesOfName } from './json-ld-names'

test('names are found wherever they stand, each once, those of the site left out', () => {
  const value = {
    '@graph': [
      { '@type': 'WebSite', name: 'Hall' },
      { '@type': 'Article', headline: ' Lamp ', name: ['Lamp', 'La lampe'], author: { name: 'Ada' } },
    ],
  }
  expect(describedNames(value, ['Hall'])).toEqual(['Lamp'])
  expect(describedNames([{ name: '' }, { name: 7 }, null, { name: 'x'.repeat(301) }], [])).toEqual([])
})

test('of a long list so many are kept', () => {
  const items = Array.from({ length: 50 }, (_, index) => ({ name: `Item ${index}` }))
  expect(describedNames(items, [])).toHaveLength(8)
})

test('a name is found where it stands as a name, and nowhere else', () => {
  const json =
    '{ "headline": "Lamp", "description": "Lamp", "name": ["La\\u006dp", "Lamp"], "Lamp": {"name" : " Lamp "} }'
  expect(placesOfName(json, 'Lamp').map(({ start, end }) => json.slice(start, end))).toEqual([
    '"Lamp"',
    '"La\\u006dp"',
    '" Lamp "',
  ])
  expect(placesOfName('{"author": {"name": "Lamp"}, "offers": [{"seller": {"name": "Lamp"}}]}', 'Lamp')).toEqual([])
})

test('a string in a script reads back as it was, and nothing in it ends the script', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), fc.boolean(), (text, isAscii) => {
      const literal = jsonStringInScript(text, isAscii)
      expect(JSON.parse(literal)).toBe(text)
      expect(literal).not.toMatch(/[<>&]/)
      if (isAscii) expect(literal).toMatch(/^[\0-\x7f]*$/)
    }),
    runs(300),
  )
})
