import { createCheckContext } from '../check'
import type { ReadDocument } from '../document'
import type { FetchFact, Gathering } from '../model'
import type { Requirements } from '../requirements'
import { type ComparedCard, type ComparedFacts, cardOf } from '../surface'

/** A page as far as it is compared. */
export type ComparedPage = {
  url: string
  fetch: Pick<FetchFact, 'aliases' | 'redirects'> & { robotsHeader?: string | null | undefined }
  facts: ComparedFacts | null
  /** Cards by surface, made when asked for: thousands of pages that didn't change need none. */
  cards(): Readonly<Record<string, ComparedCard>>
}

/** One side of a comparison. */
export type ComparedRun = {
  pages: readonly ComparedPage[]
  /** Contents of pictures by their address; null where a picture was not read whole. */
  hashes: ReadonlyMap<string, string | null>
  findings: readonly { rule: string; page: string }[]
  /** What all cards depend on beside their pages, in one text: where two runs have the same, equal facts have equal cards. */
  surroundings: string | null
}

/** A page that is not there counts as none: links that still lead to it are another matter. */
const isThere = ({ fetch }: { fetch: { status: number | null } }) => fetch.status !== 404 && fetch.status !== 410

/** A run document, as the command wrote it. */
export function documentCompared(document: ReadDocument): ComparedRun {
  return {
    pages: document.pages
      .filter(isThere)
      .map(({ url, fetch, facts, cards }) => ({ url, fetch, facts, cards: () => cards })),
    hashes: new Map(document.images.map(({ url, hash }) => [url, hash])),
    findings: [
      ...document.pages.flatMap(({ url, findings }) => findings.map(({ rule }) => ({ rule, page: url }))),
      ...document.findings.flatMap(({ rule, pages }) => pages.map((page) => ({ rule, page }))),
    ],
    surroundings: null,
  }
}

/** A run as gathered, with what was found in it. Its cards are those of the surfaces that the site has now. */
export function gatheringCompared(
  gathering: Gathering,
  findings: ComparedRun['findings'],
  requirements: Requirements,
): ComparedRun {
  const { cards: context, allSurfaces } = createCheckContext(gathering, requirements)
  const { source, view, robotsTxt, images, notes } = gathering
  const login = notes.some(({ kind }) => kind === 'login-passed')
  const looks = images.map(({ look: _look, ...image }) => image).sort((a, b) => (a.url < b.url ? -1 : 1))
  return {
    pages: gathering.pages.filter(isThere).map((page) => ({
      url: page.url,
      fetch: page.fetch,
      facts: page.facts,
      cards: () => Object.fromEntries(allSurfaces.map((surface) => [surface.id, cardOf(page, surface, context)])),
    })),
    hashes: new Map(images.map(({ url, hash }) => [url, hash])),
    findings,
    surroundings: JSON.stringify([source.site, view, robotsTxt, login, looks]),
  }
}
