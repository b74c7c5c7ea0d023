import { describe, expect, test } from 'vitest'
import { askedAbout, lastAnswers, mergedAnswers, stillStands } from './answers'
import type { Answer } from './requirements'

const answer = (by: string, day: number, over: Partial<Answer> = {}): Answer => ({
  question: 'title',
  page: '/a',
  answer: 'yes',
  by,
  at: `2026-11-${String(day).padStart(2, '0')}T10:00:00Z`,
  ...over,
})
const card = { title: 'A lamp', description: 'Mend it', picture: 'sha256:1' }

describe('answers', () => {
  test('the last to a question on a page stands, in whatever order they were written', () => {
    const [first, second] = [answer('Ada', 1), answer('Benno', 2, { answer: 'no' })]
    for (const list of [
      [first, second],
      [second, first],
    ])
      expect(lastAnswers(list).get('/a')).toEqual([second])
    const other = answer('Ada', 1, { question: 'tone' })
    expect(lastAnswers([first, other]).get('/a')).toEqual([first, other])
  })

  test('of two people’s lists the later stands, and of two at one time the own', () => {
    const [mine, theirs] = [answer('Ada', 2), answer('Benno', 2)]
    expect(mergedAnswers([mine], [theirs])).toEqual([mine])
    expect(mergedAnswers([mine], [answer('Benno', 3)])).toEqual([answer('Benno', 3)])
    const elsewhere = answer('Benno', 1, { page: '/b' })
    expect(mergedAnswers([mine], [elsewhere])).toEqual([elsewhere, mine])
  })

  test('each is about a part of the card, and stands while that is shown', () => {
    expect((['picture', 'title', 'tone'] as const).map((question) => askedAbout(question, card))).toEqual([
      'sha256:1',
      'A lamp',
      'A lamp\nMend it',
    ])
    expect(stillStands(answer('Ada', 1, { seen: 'A lamp' }), card)).toBe(true)
    expect(stillStands(answer('Ada', 1, { seen: 'A kettle' }), card)).toBe(false)
    expect(stillStands(answer('Ada', 1), card)).toBe(true)
  })
})
