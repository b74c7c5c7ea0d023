import { describe, expect, test } from 'vitest'
import { checkOf, createCheckContext, type FindingWords, inWords, runChecks } from '../check'
import type { CrawlEnvironment } from '../crawl'
import type { Finding } from '../model'
import type { Requirements } from '../requirements'
import { gatherMemory, type MemoryBuild } from './build-run'
import { GOOD_SITE, goodPage, goodSite, type HeadChange } from './good-site'

/** A site to look at: a change to the head of an impeccable page, or files of its own. */
type Case = ({ head: HeadChange; body?: string } | { files: MemoryBuild; read?: CrawlEnvironment['read'] }) & {
  requirements?: Requirements
}

export type CheckCases = {
  /** Each raises the check; what the finding must say beside its id may be given. */
  raises: Record<string, Case & { expect?: Partial<Finding & FindingWords> & { pages?: unknown } }>
  /** Each comes close, and does not. */
  passes: Record<string, Case>
}

async function findingsOf(given: Case, id: string) {
  const files =
    'files' in given ? given.files : { 'about.html': goodPage('about.html', 'Ferns', given.head, given.body) }
  const gathering = await gatherMemory(goodSite(files), GOOD_SITE, 'read' in given ? given.read : undefined)
  const verdict = runChecks(gathering, createCheckContext(gathering, given.requirements))
  const found = [...verdict.pages.flatMap((page) => page.findings), ...verdict.findings]
  return found.filter(({ rule }) => rule === id).map((finding) => ({ ...finding, ...inWords(finding) }))
}

/** Tests one check: it must have both kinds of cases, must be in the list, and words must be filled in. */
export function describeCheck(id: string, { raises, passes }: CheckCases): void {
  describe(id, () => {
    test('is in the list', () => {
      expect(checkOf(id)?.id).toBe(id)
    })

    test('says nothing of an impeccable site', async () => {
      expect(await findingsOf({ files: {} }, id)).toEqual([])
    })

    test.each(Object.entries(raises))('raised: %s', async (_name, given) => {
      const findings = await findingsOf(given, id)
      expect(findings.length).toBeGreaterThan(0)
      expect(findings[0]).toMatchObject(given.expect ?? {})
      for (const finding of findings) expect(unfilledOf(finding)).toEqual([])
    })

    test.each(Object.entries(passes))('not raised: %s', async (_name, given) => {
      expect(await findingsOf(given, id)).toEqual([])
    })
  })
}

/** Names in a finding's words, or in what mends it, that its data has no value for. */
export function unfilledOf({ rule, said, data }: Pick<Finding, 'rule' | 'said' | 'data'>): string[] {
  const words = JSON.stringify(checkOf(rule)!.messages[said])
  return [...words.matchAll(/\{(\w+)\}/g)].flatMap(([, name]) => (data?.[name!] === undefined ? [name!] : []))
}
