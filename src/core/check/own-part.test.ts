import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { ownPart, withOwnPart } from './own-part'

test.each([
  ['はじめに — 気圧計の使い方 | Journal', 'Journal', 'はじめに — 気圧計の使い方'],
  ['A – B | C', 'C', 'A – B'],
  ['はじめに｜気圧計の館', '気圧計の館', 'はじめに'],
  ['Brasswick Mending Hall — Rewire a lamp: part 2', 'Brasswick Mending Hall', 'Rewire a lamp: part 2'],
  ['Ремонт лампы · Брассвик', 'брассвик', 'Ремонт лампы'],
  ['كيف تصلح المصباح | ورشة', 'ورشة', 'كيف تصلح المصباح'],
  ['दीपक सुधारें – कार्यशाला', 'कार्यशाला', 'दीपक सुधारें'],
  ['램프 고치기 - 수리소', '수리소', '램프 고치기'],
  ['Lampe reparieren\u00A0» Werkstatt', 'Werkstatt', 'Lampe reparieren'],
  ['Lamp | Hall — Mend it', 'Hall — Mend it', 'Lamp'],
  ['Hall | Lamp | Hall', 'Hall', 'Lamp'],
])('of “%s” without “%s” “%s” is left', (title, name, own) => {
  expect(ownPart(title, name)).toBe(own)
})

test.each([
  ['A – B | C', null],
  ['A – B | C', 'D'],
  ['Well-known Hall', 'Hall'],
  ['Hall', 'Hall'],
  ['Lamp-Hall', 'Hall'],
  ['Lamp: Hall', 'Hall'],
  ['The Hall | Lamp', 'Hall'],
  ['', 'Hall'],
])('“%s” is its own where “%s” is not added to it', (title, name) => {
  expect(ownPart(title, name)).toBe(title)
})

test('of several names whichever stands there goes', () => {
  expect(ownPart('Lamp | BMH', ['Brasswick Mending Hall', 'BMH'])).toBe('Lamp')
})

test('whatever the title, nothing is lost but the name and its separator', () => {
  const text = fc.string({
    unit: fc.constantFrom('a', 'B', 'é', '日', '—', '|', ':', '-', ' '),
    minLength: 1,
    maxLength: 20,
  })
  fc.assert(
    fc.property(text, fc.constantFrom(' | ', ' – ', ' · ', '|'), (own, separator) => {
      const title = own.trim().replace(/\s+/g, ' ')
      fc.pre(title !== '' && !/hall/i.test(title))
      expect(ownPart(`${title}${separator}Hall`, 'Hall')).toBe(title)
      expect(ownPart(`Hall${separator}${title}`, 'Hall')).toBe(title)
      expect(ownPart(title, 'Hall')).toBe(title)
    }),
    runs(300),
  )
})

test.each([
  ['Lamp | Hall', 'Kettle', 'Kettle | Hall'],
  ['Lamp Hall | Lamp', 'Kettle', 'Lamp Hall | Kettle'],
  ['Lamp | Lamp Hall', 'Kettle', 'Kettle | Lamp Hall'],
  ['Hall | Lamp | Hall', 'Kettle', 'Hall | Kettle | Hall'],
  ['Lamp – Lamp | Hall', '$& $1', '$& $1 | Hall'],
  ['Lamp | Other', 'Kettle', null],
  ['Hall', 'Kettle', null],
])('in “%s” “%s” takes the place of the own part: %s', (title, own, expected) => {
  expect(withOwnPart(title, own, ['Hall', 'Lamp Hall'])).toBe(expected)
})
