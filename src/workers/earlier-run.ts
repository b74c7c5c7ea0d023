import { limits } from '@/core/address'
import type { EarlierFacts } from '@/core/crawl'
import { VERSION } from '@/core/model'
import type { StoredRun } from '@/store/database'
import { givenImages } from '@/store/images'
import { linksOf } from '@/store/links'
import { ownPagesAt } from '@/store/pages'
import { newestRun, runAt } from '@/store/runs'

/** Bytes of a request that are left for what is not known to grow with it. */
const ROOM = 0.9

const isOfFiles = ({ kind }: StoredRun['source']) => kind === 'folder' || kind === 'zip'

/**
 * The run that one may take over from: the one that is gathered again, else the newest whole one of its site,
 * gathered here, in the same way and by this version of the program. undefined: there is none.
 *
 * @param hasLogin what somebody saw who was let in is not what others see, whatever the server says of changes
 */
export async function earlierRun(
  since: string,
  from: 'files' | 'server',
  hasLogin = false,
): Promise<StoredRun | undefined> {
  const asked = await runAt(since)
  if (!asked) return undefined
  const isFit = (run: StoredRun) =>
    run.source.site === asked.source.site &&
    run.state === 'done' &&
    run.program === VERSION &&
    isOfFiles(run.source) === (from === 'files') &&
    run.notes.some(({ kind }) => kind === 'login-passed') === hasLogin &&
    !run.imported &&
    !run.tried &&
    !run.lookedAgain
  return isFit(asked) ? asked : newestRun(isFit)
}

/** Pages read at once. */
const BATCH = 250

const utf8 = new TextEncoder()

/**
 * What an earlier run read that a server can say is unchanged: pages with their links, and pictures; of a large run as much
 * as a request may hold.
 */
export async function earlierFacts(run: StoredRun): Promise<EarlierFacts> {
  const images = await picturesOf(run.id)
  const facts: EarlierFacts = { pages: [], images }
  let room = limits.earlierRequestBytes * ROOM - bytesOf(images)
  const links = [...(await linksOf(run.id))]
  for (let from = 0; from < links.length && room > 0; from += BATCH) {
    const part = links.slice(from, from + BATCH)
    const stored = await ownPagesAt(
      run.id,
      part.map(([url]) => url),
    )
    for (const [index, [, kept]] of part.entries()) {
      const page = stored[index]
      if (!page?.facts || !page.fetch.validators) continue
      const known = { ...page, facts: page.facts, kept }
      room -= bytesOf(known)
      if (room < 0) break
      facts.pages.push(known)
    }
  }
  return facts
}

const bytesOf = (value: unknown) => utf8.encode(JSON.stringify(value)).length

/** Pictures of a run as they were looked at. */
export async function picturesOf(run: string): Promise<EarlierFacts['images']> {
  return (await givenImages(run)).map(({ served: _served, ...image }) => image)
}
