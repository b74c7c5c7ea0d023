import { describe, expect, test } from 'vitest'
import type { FetchFact, GatheredPage, Gathering } from '../../model'
import { inWords } from '../finding-words'
import { runChecks } from '../run-checks'

const page = (fetch: Partial<FetchFact>): GatheredPage => ({
  url: 'https://site.example/x',
  file: null,
  facts: null,
  source: [],
  fetch: {
    status: 200,
    finalUrl: 'https://site.example/x',
    redirects: [],
    aliases: [],
    contentType: 'text/html',
    bytes: 10,
    ms: 1,
    error: null,
    errorCode: null,
    robotsHeader: null,
    fetchedAt: '2026-11-23T09:00:00Z',
    ...fetch,
  },
})

function verdictOf(fetch: Partial<FetchFact>) {
  const gathering: Gathering = {
    source: { kind: 'url', location: 'https://site.example/', site: 'https://site.example/' },
    startedAt: '',
    finishedAt: '',
    view: 'standing',
    notes: [],
    incomplete: [],
    scope: [],
    robotsTxt: null,
    pages: [page(fetch)],
    images: [],
  }
  return runChecks(gathering).pages[0]!
}

describe('page-unreachable', () => {
  test.each([
    [{ status: 400 }, 'answered 400'],
    [{ status: 404 }, 'answered 404'],
    [{ status: 401 }, 'behind a login (401)'],
    [{ status: 403 }, 'behind a login (403)'],
    [{ status: 503 }, 'answered 503'],
    [{ status: null, error: 'It timed out.', errorCode: 'timeout' as const }, 'It timed out.'],
  ])('%j is raised', (fetch, words) => {
    const { findings } = verdictOf(fetch)
    expect(findings.map(({ rule }) => rule)).toEqual(['page-unreachable'])
    expect(findings[0]!.level).toBe('error')
    expect(inWords(findings[0]!).message).toContain(words)
  })

  test('399 is not raised', () => {
    expect(verdictOf({ status: 399 }).findings).toEqual([])
  })

  test('a page that could not be read has every other check skipped, never passed', () => {
    const { skipped } = verdictOf({ status: 500 })
    expect(skipped.map(({ rule }) => rule)).toContain('og-title-missing')
    expect(skipped.every(({ reason }) => reason === 'page-not-read')).toBe(true)
  })
})
