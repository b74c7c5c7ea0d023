import { createCheckContext, type FindingWords, inWords, runChecks } from '../check'
import {
  type CrawlOptions,
  crawl,
  defaultCrawlOptions,
  type FetchResult,
  GatheringBuilder,
  oneByOne,
  type ReadRequest,
} from '../crawl'
import type { Finding, Gathering } from '../model'
import { testOutside } from './build-run'

/** An answer of a server in memory. */
export type TestAnswer = { status?: number; headers?: Record<string, string>; body?: string }

/** Crawls a server in memory that may answer by how it is asked. */
export async function crawlMemory(
  start: string,
  answer: (request: ReadRequest) => TestAnswer,
  options: Partial<CrawlOptions> = {},
): Promise<Gathering> {
  const read = async (request: ReadRequest): Promise<FetchResult> => {
    const { status = 200, headers = {}, body = '' } = answer(request)
    return {
      kind: 'answered',
      status,
      headers: { 'content-type': 'text/html', ...headers },
      body: new TextEncoder().encode(body),
      isCut: false,
      ms: 1,
    }
  }
  const builder = new GatheringBuilder()
  const batches = crawl({ ...defaultCrawlOptions, start, ...options }, testOutside(read))
  for await (const event of oneByOne(batches)) builder.add(event)
  return builder.gathering()!
}

/** Findings of one check on all pages of a run. */
export function findingsOfCheck(gathering: Gathering, id: string): (Finding & FindingWords)[] {
  const { pages } = runChecks(gathering, createCheckContext(gathering))
  return pages
    .flatMap(({ findings }) => findings)
    .filter(({ rule }) => rule === id)
    .map((finding) => ({ ...finding, ...inWords(finding) }))
}
