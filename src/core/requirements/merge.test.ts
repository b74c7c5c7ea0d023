import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { mergedRequirements } from './merge'
import type { Answer, Requirements, Waiver } from './requirements'

const waiver = (by: string): Waiver => ({ rule: 'title-long', reason: 'x', by })
const answer = (by: string, day: number): Answer => ({
  question: 'title',
  page: '/a',
  answer: 'yes',
  by,
  at: `2026-11-0${day}T10:00:00Z`,
})

test('waivers of both hold, each once; the later answer stands', () => {
  const { requirements, differs } = mergedRequirements(
    { waivers: [waiver('Ada')], answers: [answer('Ada', 2)] },
    { waivers: [{ by: 'Ada', rule: 'title-long', reason: 'x' }, waiver('Benno')], answers: [answer('Benno', 3)] },
  )
  expect(requirements).toEqual({ waivers: [waiver('Ada'), waiver('Benno')], answers: [answer('Benno', 3)] })
  expect(differs).toBe(false)
})

test('what is asked of pages is the own, and a difference is told; where nothing is asked it is the other’s', () => {
  const [mine, theirs]: Requirements[] = [{ levels: { 'title-long': 'off' } }, { levels: { 'title-long': 'error' } }]
  expect(mergedRequirements(mine!, theirs!)).toEqual({ requirements: mine, differs: true })
  expect(mergedRequirements(mine!, { ...mine, $schema: 'x' })).toMatchObject({ differs: false })
  expect(mergedRequirements({ waivers: [waiver('Ada')] }, theirs!)).toEqual({
    requirements: { ...theirs, waivers: [waiver('Ada')] },
    differs: false,
  })
})

test('in whatever order archives are put together, the same waivers and answers hold', () => {
  const one = fc.record({
    waivers: fc.array(fc.constantFrom('Ada', 'Benno', 'Ines').map(waiver), { maxLength: 3 }),
    answers: fc.array(
      fc.integer({ min: 1, max: 9 }).map((day) => answer(`by ${day}`, day)),
      { maxLength: 3 },
    ),
  })
  const held = ({ waivers = [], answers = [] }: Requirements) => ({
    waivers: [...new Set(waivers.map(({ by }) => by))].sort(),
    answers: answers.map(({ by }) => by).sort(),
  })
  fc.assert(
    fc.property(one, one, one, (a, b, c) => {
      const put = (...list: Requirements[]) =>
        held(list.reduce((sum, next) => mergedRequirements(sum, next).requirements, {} as Requirements))
      expect(put(a, b, c)).toEqual(put(c, a, b))
      expect(put(a, a)).toEqual(put(a))
    }),
    runs(200),
  )
})
