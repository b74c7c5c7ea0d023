import { describe, expect, test } from 'vitest'
import type { Answer } from '@/core/requirements'
import type { Face } from '@/core/surface'
import type { WallRow } from '@/store/database'
import { pathOfRow, questionsToAsk, seenOn } from './questions-to-ask'

const row = (path: string, section: string, error: number, face: Partial<Face> = {}): WallRow =>
  ({
    url: `https://a.example${path}`,
    path,
    section,
    levels: { error, warning: 0, note: 0 },
    faces: {
      'wide-feed': { layout: 'wide', title: `Title of ${path}`, description: 'D', image: `${path}.png`, ...face },
    },
  }) as unknown as WallRow
const hashOf = (url: string) => (url === '/a.png' ? 'sha256:a' : null)
const asked = (rows: WallRow[], answers: Answer[] = [], sections = {}) =>
  questionsToAsk(rows, { answers, sections }, 'wide-feed', hashOf).map(({ question, page }) => `${question} ${page}`)
const answer = (over: Partial<Answer>): Answer => ({
  question: 'picture',
  page: '/a',
  answer: 'yes',
  by: 'Ada',
  at: '2026-11-27T10:00:00Z',
  ...over,
})

describe('questions that only a person can answer', () => {
  test('are of the cards that stand for a section, the tone once by its typical page', () => {
    expect(asked([row('/g/a', '/g/*', 0), row('/g/b', '/g/*', 3), row('/g/c', '/g/*', 1)])).toEqual([
      'picture /g/b',
      'title /g/b',
      'picture /g/c',
      'title /g/c',
      'tone /g/c',
      'picture /g/a',
      'title /g/a',
    ])
  })

  test('no picture is asked about where there is none, and nothing where there is but an address', () => {
    expect(asked([row('/a', '/a', 0, { image: null })])).toEqual(['title /a', 'tone /a'])
    expect(asked([row('/a', '/a', 0, { layout: 'bare' })])).toEqual([])
  })

  test('pages that are never shared are not asked about', () => {
    expect(asked([row('/a', '/a', 0)], [], { '/a': { kind: 'not-shared' } })).toEqual([])
  })

  test('what was answered is asked again only once the card shows something else', () => {
    const rows = [row('/a', '/a', 0)]
    expect(asked(rows, [answer({ seen: 'sha256:a' })])).toEqual(['title /a', 'tone /a'])
    expect(asked(rows, [answer({ seen: 'sha256:b' })])).toContain('picture /a')
    expect(asked(rows, [answer({ question: 'title', answer: 'no', seen: 'Title of /a' })])).not.toContain('title /a')
  })
})

test('a section that was answered for is not asked about by another page, until the page it was answered by changes', () => {
  const rows = [row('/g/a', '/g/*', 0), row('/g/b', '/g/*', 3), row('/g/c', '/g/*', 1)]
  const no = answer({ question: 'tone', page: '/g/a', section: '/g/*', answer: 'no', seen: 'Title of /g/a\nD' })
  const tones = (answers: Answer[]) => asked(rows, answers).filter((one) => one.startsWith('tone'))
  expect(tones([])).toEqual(['tone /g/c'])
  expect(tones([no])).toEqual([])
  expect(tones([{ ...no, seen: 'Another title\nD' }])).toEqual(['tone /g/c'])
})

test('a page is named by its path without a query, and a picture by its bytes where they are known', () => {
  expect(pathOfRow({ url: 'https://a.example/x?y=1' } as WallRow)).toBe('/x')
  expect(seenOn(row('/a', '/a', 0), 'wide-feed', hashOf)?.picture).toBe('sha256:a')
  expect(seenOn(row('/b', '/b', 0), 'wide-feed', hashOf)?.picture).toBe('/b.png')
})
