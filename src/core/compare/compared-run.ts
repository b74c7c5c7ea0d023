import { builtAt, createCheckContext } from '../check'
import type { ReadDocument } from '../document'
import type { FetchFact, Gathering } from '../model'
import type { Requirements } from '../requirements'
import { type ComparedCard, type ComparedFacts, cardOf } from '../surface'
import { comparedText } from './compared-text'

/** A page as far as it is compared. */
export type ComparedPage = {
  url: string
  fetch: Pick<FetchFact, 'aliases' | 'redirects'>
  facts: ComparedFacts | null
  /** All that its cards and tags are made of, see `comparedText`; null where that is not known. */
  text(): string | null
  /** Cards by surface, made when asked for: thousands of pages that didn't change need none. */
  cards(): Readonly<Record<string, ComparedCard>>
}

/** One side of a comparison. */
export type ComparedRun = {
  pages: readonly ComparedPage[]
  /** Contents of pictures by their address; null where a picture was not read whole. */
  hashes: ReadonlyMap<string, string | null>
  findings: readonly { rule: string; page: string }[]
  /** See `surroundingsOf`; null where that is not known. */
  surroundings: string | null
}

/** A page that is not there counts as none: links that still lead to it are another matter. */
export const isThere = ({ status }: { status: number | null }): boolean => status !== 404 && status !== 410

/** What all cards depend on beside their pages and pictures, in one text: where two runs have the same, equal texts have equal cards. */
export function surroundingsOf({
  source,
  view,
  robotsTxt,
  notes,
}: Pick<Gathering, 'source' | 'view' | 'robotsTxt' | 'notes'>): string {
  const login = notes.some(({ kind }) => kind === 'login-passed')
  return JSON.stringify([source.site, builtAt(source), view, robotsTxt, login])
}

/** A run document, as the command wrote it. */
export function documentCompared(document: ReadDocument): ComparedRun {
  return {
    pages: document.pages
      .filter(({ fetch }) => isThere(fetch))
      .map(({ url, fetch, facts, cards }) => ({ url, fetch, facts, text: () => null, cards: () => cards })),
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
  return {
    pages: gathering.pages
      .filter(({ fetch }) => isThere(fetch))
      .map((page) => ({
        url: page.url,
        fetch: page.fetch,
        facts: page.facts,
        text: () => comparedText(page, context),
        cards: () => Object.fromEntries(allSurfaces.map((surface) => [surface.id, cardOf(page, surface, context)])),
      })),
    hashes: new Map(gathering.images.map(({ url, hash }) => [url, hash])),
    findings,
    surroundings: surroundingsOf(gathering),
  }
}
