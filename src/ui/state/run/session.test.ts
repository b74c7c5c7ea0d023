import { describe, expect, test } from 'vitest'
import { afterReport, type Session } from './session'
import { crawlFrom } from './sources'

const live: Extract<Session, { kind: 'running' | 'ended' }> = {
  kind: 'running',
  runId: 'r',
  source: crawlFrom('http://localhost:3000/'),
  site: null,
  startedAtMs: 1000,
  endedAtMs: null,
  done: 0,
  waiting: 0,
  images: 0,
  fetching: [],
  slow: [],
  slowed: [],
  troubles: [],
  stopped: false,
  isStoring: false,
  taken: null,
}

describe('what a report makes of the session', () => {
  test('started: the site is known', () => {
    expect(afterReport(live, { kind: 'started', site: 'https://site.example/', startedAt: '' }, 0)).toMatchObject({
      site: 'https://site.example/',
    })
  })

  test('progress: the counters', () => {
    const counters = {
      done: 3,
      waiting: 9,
      images: 2,
      fetching: ['a'],
      slow: [{ url: 'https://a.example/', ms: 1500 }],
    }
    expect(afterReport(live, { kind: 'progress', ...counters }, 0)).toMatchObject(counters)
  })

  test('troubles stand newest first, and only so many', () => {
    let session: Session = live
    for (let index = 0; index < 60; index++) {
      session = afterReport(session as typeof live, { kind: 'trouble', trouble: { url: `u${index}`, message: 'x' } }, 0)
    }
    expect((session as typeof live).troubles).toHaveLength(50)
    expect((session as typeof live).troubles[0]?.url).toBe('u59')
  })

  test.each([
    ['done', false],
    ['stopped', true],
  ] as const)('finished as %s: over, with its time', (state, stopped) => {
    expect(afterReport({ ...live, fetching: ['a'] }, { kind: 'finished', state }, 5000)).toMatchObject({
      kind: 'ended',
      stopped,
      endedAtMs: 5000,
      fetching: [],
    })
  })

  test('failed: the words, what is kept, and the way in to try again', () => {
    expect(afterReport(live, { kind: 'failed', message: 'Nothing answered.', kept: 4 }, 0)).toEqual({
      kind: 'failed',
      message: 'Nothing answered.',
      kept: 4,
      runId: 'r',
      source: live.source,
    })
  })
})
