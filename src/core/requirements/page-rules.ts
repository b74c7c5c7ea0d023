import { globMatcher, pathForms, pathOf } from '../address'
import type { GatheredPage, PageFacts } from '../model'
import { firstValue } from '../surface'
import { ownEntry } from '../text'
import type {
  AppliedLimits,
  KindRule,
  LevelOrOff,
  RequiredField,
  Requirements,
  Shareable,
  Waiver,
} from './requirements'

/** What holds for one page: its section's rules over its kind's over the site's. */
export type PageRule = {
  kind: string
  requires: ReadonlySet<RequiredField>
  mayShare: ReadonlySet<Shareable>
  limits: AppliedLimits
  levels: Readonly<Record<string, LevelOrOff>>
  shareTo: string | null
  /** Never meant for sharing: nothing is asked of its cards. */
  isNotShared: boolean
}

export const DEFAULT_LIMITS: AppliedLimits = {
  titleCharacters: 70,
  descriptionCharacters: 200,
  pictureBytes: 300_000,
}

/** A glob without its wildcards: the more of it is written out, the fewer pages it is meant for. */
const literal = (glob: string) => glob.replace(/\*+/g, '')

/** Orders globs so that the narrower of two stands first: an exact path, then what writes out more, then fewer wildcards. */
export function byNarrowness(a: string, b: string): number {
  const isOpen = (glob: string) => (/[*?[]/.test(glob) ? 1 : 0)
  const wildcards = (glob: string) => glob.split('*').length
  return isOpen(a) - isOpen(b) || literal(b).length - literal(a).length || wildcards(a) - wildcards(b)
}

/**
 * The section that a requirements file gives a page; null where none of its globs matches. The narrowest that matches
 * counts, whatever their order; a page is asked for by all the paths that people know it by. A name that we found holds for the pages that we found in it, whatever signs it is made
 * of.
 */
export function createSectionFinder(
  requirements: Requirements,
): (paths: readonly string[], found: string | null) => string | null {
  const globs = Object.keys(requirements.sections ?? {})
    .sort(byNarrowness)
    .map((glob) => ({ glob, isMatch: pathMatcher(glob) }))
  return (paths, found) => globs.find(({ glob, isMatch }) => glob === found || paths.some(isMatch))?.glob ?? null
}

/** A section's name as we write it, `/guides/*`, holds for its index and all deeper pages as well. */
export function pathMatcher(given: string): (path: string) => boolean {
  // As it is meant where its first slash was left out.
  const glob = /^[\w.~%-]/.test(given) ? `/${given}` : given
  const own = globMatcher(glob)
  if (!glob.endsWith('/*')) return own
  const deep = globMatcher(`${glob}*`)
  const index = glob.slice(0, -1)
  return (path) => own(path) || deep(path) || path === index || path === index.slice(0, -1)
}

const LD_KINDS: Record<string, string> = {
  article: 'article',
  product: 'product',
  place: 'place',
  film: 'video.movie',
  recipe: 'article',
  app: 'product',
}

/** The kind that exempts pages: requirements alone give it to a section. */
const NOT_SHARED = 'not-shared'

/** Kind of a page as it says itself: og:type, else JSON-LD; null where it says nothing. No page says that it is exempt. */
export function saidKind(facts: PageFacts): string | null {
  const type = firstValue(facts, 'og:type')?.toLowerCase()
  return (type === NOT_SHARED ? null : type) || describedKind(facts)
}

/** Kind of what a page's JSON-LD describes first, as og:type calls it; null where it describes nothing. */
export function describedKind(facts: PageFacts): string | null {
  const thing = facts.jsonLd.flatMap(({ things }) => things ?? [])[0]
  return thing ? (ownEntry(LD_KINDS, thing.kind) ?? null) : null
}

/** Kind that most pages of each section say they are. */
export function kindsOfSections(
  pages: readonly GatheredPage[],
  sections: ReadonlyMap<string, string>,
): Map<string, string> {
  const counts = new Map<string, Map<string, number>>()
  for (const page of pages) {
    const kind = page.facts ? saidKind(page.facts) : null
    if (kind === null) continue
    const section = sections.get(page.url) ?? '/'
    const ofSection = counts.get(section) ?? new Map<string, number>()
    ofSection.set(kind, (ofSection.get(kind) ?? 0) + 1)
    counts.set(section, ofSection)
  }
  return new Map([...counts].map(([section, of]) => [section, [...of].sort(([, a], [, b]) => b - a)[0]![0]]))
}

/** Rules of each page, worked out once for each pair of section and kind. */
export function createPageRules(
  requirements: Requirements,
  pages: readonly GatheredPage[],
  sections: ReadonlyMap<string, string>,
  site: string,
): (page: GatheredPage) => PageRule {
  const usual = kindsOfSections(pages, sections)
  const known = new Map<string, PageRule>()
  return (page) => {
    const section = sections.get(page.url) ?? '/'
    const ofSection = ownEntry(requirements.sections, section)
    const isHome = page.url === site
    const kind =
      ofSection?.kind ??
      (page.facts && saidKind(page.facts)) ??
      (isHome ? 'website' : (usual.get(section) ?? 'website'))
    const key = `${section}\n${kind}`
    const found = known.get(key)
    if (found) return found
    const rules: (KindRule | undefined)[] = [ownEntry(requirements.kinds, kind), ofSection]
    const made: PageRule = {
      kind,
      requires: new Set(rules.flatMap((rule) => rule?.requires ?? [])),
      mayShare: new Set(rules.flatMap((rule) => rule?.mayShare ?? [])),
      limits: Object.assign({ ...DEFAULT_LIMITS }, requirements.limits, ...rules.map((rule) => rule?.limits)),
      levels: Object.assign({}, requirements.levels, ...rules.map((rule) => rule?.levels)),
      shareTo: rules.findLast((rule) => rule?.shareTo)?.shareTo ?? null,
      isNotShared: kind === NOT_SHARED,
    }
    known.set(key, made)
    return made
  }
}

const formsOf = (url: string, site: string | null): string[] =>
  site === null ? [pathOf(url).split('?')[0]!] : pathForms(url, site)

/** A page as a waiver knows it. */
export type WaivedPage = { path: string; title: string | null }

/** A waiver that was meant for a page which has another path now. */
export type MovedWaiver = { waiver: Waiver; to: string }

const isOnePath = (glob: string) => !/[*?[]/.test(glob)

/** Where the page is that a waiver was written for: at its path, else the only one that has its title; null: nowhere. */
function placeOf({ pages: path, content }: Waiver, pages: readonly WaivedPage[]): string | null {
  if (path === undefined || content === undefined || !isOnePath(path)) return null
  if (pages.some((page) => page.path === path)) return path
  const alike = pages.filter(({ title }) => title === content)
  return alike.length === 1 ? alike[0]!.path : null
}

/**
 * Waivers that hold on a day, ready to be asked; those that have ended; and those whose page has another path now, for
 * which they hold all the same.
 *
 * @param pages of the run
 * @param site base URL of the run: globs are written with its path or without; null: they are whole paths
 */
export function createWaivers(
  waivers: readonly Waiver[],
  today: string,
  pages: readonly WaivedPage[] = [],
  site: string | null = null,
): { waiverFor: (rule: string, urls: readonly string[]) => Waiver | null; ended: Waiver[]; moved: MovedWaiver[] } {
  const ended = waivers.filter(({ until }) => until !== undefined && until < today)
  const placed = waivers
    .filter((waiver) => !ended.includes(waiver))
    .map((waiver) => ({ waiver, at: placeOf(waiver, pages) ?? waiver.pages }))
  const holding = placed.map(({ waiver, at }) => ({
    waiver,
    isMatch: at === undefined ? () => true : pathMatcher(at),
  }))
  return {
    ended,
    moved: placed.flatMap(({ waiver, at }) => (at === undefined || at === waiver.pages ? [] : [{ waiver, to: at }])),
    waiverFor: (rule, urls) =>
      holding.find(
        ({ waiver, isMatch }) =>
          waiver.rule === rule && urls.length > 0 && urls.every((url) => formsOf(url, site).some(isMatch)),
      )?.waiver ?? null,
  }
}
