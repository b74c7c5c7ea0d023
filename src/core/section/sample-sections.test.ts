import { describe, expect, test } from 'vitest'
import { sampleSections } from './sample-sections'

const row = (path: string, section: string, error: number) => ({
  url: `https://a.example${path}`,
  section,
  levels: { error, warning: 0, note: 0 },
})

describe('pages that stand for their section', () => {
  test('the worst, the one in the middle, the best', () => {
    const rows = [row('/g/a', '/g/*', 0), row('/g/b', '/g/*', 3), row('/g/c', '/g/*', 1)]
    expect(sampleSections(rows)).toEqual([
      {
        section: '/g/*',
        pages: 3,
        errors: 4,
        samples: [
          { kind: 'worst', page: rows[1] },
          { kind: 'typical', page: rows[2] },
          { kind: 'best', page: rows[0] },
        ],
      },
    ])
  })

  test('no page stands for its section twice', () => {
    expect(sampleSections([row('/', '/', 0)])[0]!.samples.map(({ kind }) => kind)).toEqual(['worst'])
    expect(sampleSections([row('/a', '/*', 1), row('/b', '/*', 0)])[0]!.samples).toHaveLength(2)
  })

  test('sections with most in the way come first, then the largest', () => {
    const many = Array.from({ length: 9 }, (_, index) => row(`/s${index}/a`, `/s${index}/*`, index === 7 ? 2 : 0))
    const sections = sampleSections([...many, row('/s3/b', '/s3/*', 0)])
    expect(sections.slice(0, 2).map(({ section }) => section)).toEqual(['/s7/*', '/s3/*'])
  })
})
