import { describe, expect, test } from 'vitest'
import type { WallRow } from '@/store/database'
import { sampleSections } from './sample-cards'

const row = (path: string, section: string, error: number, order = 0) =>
  ({ url: `https://a.example${path}`, path, section, order, levels: { error, warning: 0, note: 0 } }) as WallRow

describe('pages that stand for their section', () => {
  test('the worst, the one in the middle, the best', () => {
    const rows = [row('/g/a', '/g/*', 0, 0), row('/g/b', '/g/*', 3, 1), row('/g/c', '/g/*', 1, 2)]
    expect(sampleSections(rows)).toEqual([
      {
        section: '/g/*',
        pages: 3,
        samples: [
          { kind: 'worst', row: rows[1] },
          { kind: 'typical', row: rows[2] },
          { kind: 'best', row: rows[0] },
        ],
      },
    ])
  })

  test('no page stands for its section twice', () => {
    expect(sampleSections([row('/', '/', 0)])[0]!.samples.map(({ kind }) => kind)).toEqual(['worst'])
    expect(sampleSections([row('/a', '/*', 1), row('/b', '/*', 0)])[0]!.samples).toHaveLength(2)
  })

  test('sections with most in the way come first, then the largest, and not more than can be looked at', () => {
    const many = Array.from({ length: 9 }, (_, index) => row(`/s${index}/a`, `/s${index}/*`, index === 7 ? 2 : 0))
    const sections = sampleSections([...many, row('/s3/b', '/s3/*', 0)])
    expect(sections).toHaveLength(6)
    expect(sections.slice(0, 2).map(({ section }) => section)).toEqual(['/s7/*', '/s3/*'])
  })
})
