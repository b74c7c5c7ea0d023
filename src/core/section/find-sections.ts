import { withSlash } from '../address'
import type { PageFacts } from '../model'
import { addTo } from '../text'
import { isSameTemplate, profileOf, type TemplateProfile, type TemplateTrace, traceOf } from './template-profile'

/** What sections are found from. `facts` is null where the page could not be read. */
export type SectionPage = { url: string; facts: PageFacts | null }

/** A page on its way into a section: its segments below the root that it belongs to. */
type Placed = { url: string; path: string; segments: string[]; lang: string | null; trace: TemplateTrace | null }

/** So many pages show that they come from a template, and not from somebody's hand. */
const TEMPLATE_FROM = 5
/** A number, a date, or a name that a date begins. */
const NUMBERED = /^\d+$|^(?:19|20)\d\d(?:[-_.]\d\d){1,2}(?:[-_.]|$)/
const LANGUAGE = /^[a-z]{2,3}(?:[-_][a-z0-9]{2,8})*$/i
/** Three words or more: a headline's address. */
const HEADLINE = /^[^-_]+(?:[-_][^-_]+){2,}$/
/** Kinds that say nothing of a template: every page may be one. */
const ANY_KIND = new Set<string | null>([null, 'website'])

/**
 * Finds the sections of a site: the pages that one template made, told by their addresses.
 *
 * A first segment that several pages share is a section, `/guides/*`, with its index and all that lies deeper. A part
 * of it that another template made (other tags, another kind) is one of its own, `/docs/reference/*`. Languages at the
 * front are looked through: `/fr/guides/*`. Numbers and dates are no names: `/[0-9]*` and, with more behind them,
 * `/[0-9]*` + `/*`. Articles that lie side by side at the root are `/?*`. What is left stands alone under its path.
 * Every name is a glob that holds for the pages of its section.
 *
 * @returns section of each address
 */
export function findSections(pages: Iterable<SectionPage>, site: string): Map<string, string> {
  const basePath = new URL(withSlash(site)).pathname
  const roots = new Map<string, Placed[]>()
  for (const { url, facts } of pages) {
    const path = new URL(url).pathname
    const root = path.startsWith(basePath) ? basePath : '/'
    const segments = path.slice(root.length).split('/').filter(Boolean)
    addTo(roots, root, { url, path, segments, lang: facts?.language ?? null, trace: facts && traceOf(facts) })
  }
  const sections = new Map<string, string>()
  for (const [root, placed] of roots) {
    for (const [prefix, own] of byLanguage(root, placed)) {
      const ofRoot = new Map<string, string>()
      placeRoot(prefix, own, ofRoot)
      gather(prefix, own, ofRoot)
      for (const [url, section] of ofRoot) sections.set(url, section)
    }
  }
  return sections
}

/** Of one root: sections that people can keep apart, sections at all, and pages that stand alone. */
const MANY_SECTIONS = 24
const MAX_SECTIONS = 60
const MAX_ALONE = 12

/** Sections by how many pages they have. */
const sizesOf = (sections: ReadonlyMap<string, string>): Map<string, number> => {
  const sizes = new Map<string, number>()
  for (const section of sections.values()) sizes.set(section, (sizes.get(section) ?? 0) + 1)
  return sizes
}

/**
 * Bounds the sections of one root: what is too many to be kept apart is gathered, pages that stand alone first, then
 * the parts of a section under their parent, then the smallest sections. Each name stays a glob that holds for its pages.
 */
function gather(root: string, pages: readonly Placed[], sections: Map<string, string>): void {
  const gathered = ({ segments }: Placed) => (segments.length > 1 ? `${root}?*/**` : `${root}?*`)
  const take = (isTaken: (page: Placed, section: string) => boolean, into: (page: Placed) => string) => {
    for (const page of pages) {
      const section = sections.get(page.url)!
      if (page.segments.length > 0 && isTaken(page, section)) sections.set(page.url, into(page))
    }
  }
  const sizes = sizesOf(sections)
  const alone = pages.filter(({ url, segments }) => segments.length > 0 && sizes.get(sections.get(url)!) === 1)
  const lonely = new Set(alone.map(({ url }) => sections.get(url)!))
  if (lonely.size > MAX_ALONE) take((_, section) => lonely.has(section), gathered)
  if (sizesOf(sections).size <= MANY_SECTIONS) return
  // Parts that a template of their own made go back to the section that they are parts of.
  const parentOf = ({ segments }: Placed) => `${root}${segments[0]}/*`
  take((page, section) => section.endsWith('/*') && section.length > parentOf(page).length, parentOf)
  const bySize = [...sizesOf(sections)].sort(([, a], [, b]) => b - a)
  const beyond = bySize.slice(MAX_SECTIONS - 2)
  const few = bySize.filter(([, size]) => size < TEMPLATE_FROM)
  const small = new Set([...few, ...beyond].map(([section]) => section))
  take((_, section) => small.has(section), gathered)
}

const bySegment = (pages: readonly Placed[]): Map<string, Placed[]> => {
  const groups = new Map<string, Placed[]>()
  for (const page of pages) addTo(groups, page.segments[0] ?? '', page)
  return groups
}

const within = ({ segments, ...page }: Placed): Placed => ({ ...page, segments: segments.slice(1) })

/** Is a first segment the language of the pages beneath it, as they say themselves? */
function isLanguage(segment: string, pages: readonly Placed[]): boolean {
  if (!LANGUAGE.test(segment) || pages.length < 2) return false
  const primary = (tag: string) => tag.toLowerCase().split(/[-_]/)[0]
  const said = pages.filter(({ lang }) => lang !== null && primary(lang) === primary(segment))
  return said.length * 2 > pages.length
}

/** Pages by the root that they share with their own language. */
function byLanguage(root: string, pages: readonly Placed[]): Map<string, Placed[]> {
  const roots = new Map<string, Placed[]>()
  for (const [segment, own] of bySegment(pages)) {
    const isOwn = isLanguage(segment, own)
    for (const page of own) addTo(roots, isOwn ? `${root}${segment}/` : root, isOwn ? within(page) : page)
  }
  return roots
}

const name = (pages: readonly Placed[], section: string, sections: Map<string, string>) => {
  for (const { url } of pages) sections.set(url, section)
}

function placeRoot(root: string, pages: readonly Placed[], sections: Map<string, string>): void {
  const alone: Placed[] = []
  const numbered: Placed[] = []
  for (const [segment, own] of bySegment(pages)) {
    if (NUMBERED.test(segment)) numbered.push(...own)
    else if (own.length > 1 && segment !== '') split(`${root}${segment}/`, own.map(within), sections)
    else alone.push(...own)
  }
  const [deep, flat] = [numbered.filter(isDeep), numbered.filter((page) => !isDeep(page))]
  if (deep.length > 1) name(deep, `${root}[0-9]*/*`, sections)
  else alone.push(...deep)
  if (flat.length > 1) name(flat, `${root}[0-9]*`, sections)
  else alone.push(...flat)
  for (const page of alone) sections.set(page.url, page.path)
  name(sideBySide(alone), `${root}?*`, sections)
}

const isDeep = ({ segments }: Placed) => segments.length > 1

/** The pages among these that are articles of one kind, if there are enough of them. */
function sideBySide(alone: readonly Placed[]): Placed[] {
  const kinds = new Map<string | null, Placed[]>()
  for (const page of alone) {
    if (page.segments.length !== 1 || page.trace === null) continue
    const { kind } = page.trace
    if (!ANY_KIND.has(kind) || HEADLINE.test(page.segments[0]!)) addTo(kinds, kind, page)
  }
  const [most] = [...kinds.values()].sort((a, b) => b.length - a.length)
  return most && most.length >= TEMPLATE_FROM ? most : []
}

const profileOfPages = (pages: readonly Placed[]) => profileOf(pages.flatMap(({ trace }) => trace ?? []))

/** One section of all pages beneath a prefix, but for the parts that another template made. */
function split(prefix: string, pages: readonly Placed[], sections: Map<string, string>): void {
  name(pages, `${prefix}*`, sections)
  const parts = [...bySegment(pages)].filter(
    ([segment, own]) => segment !== '' && !NUMBERED.test(segment) && own.filter(isDeep).length >= TEMPLATE_FROM,
  )
  // Whatever most pages are made by keeps the name; there must be two of them for one to differ.
  const kinds: { profile: TemplateProfile; pages: number; parts: [string, Placed[]][] }[] = []
  for (const part of parts) {
    const profile = profileOfPages(part[1])
    const like = kinds.find((one) => isSameTemplate(one.profile, profile))
    if (like) {
      like.parts.push(part)
      like.pages += part[1].length
    } else kinds.push({ profile, pages: part[1].length, parts: [part] })
  }
  const inParts = new Set(parts.flatMap(([, own]) => own))
  const rest = pages.filter((page) => !inParts.has(page))
  const restProfile = profileOfPages(rest)
  const restCounts = (one: (typeof kinds)[number]) =>
    one.pages + (rest.length > 0 && isSameTemplate(one.profile, restProfile) ? rest.length : 0)
  const isRestOther = rest.length >= TEMPLATE_FROM && !kinds.some((one) => isSameTemplate(one.profile, restProfile))
  const [main] = [...kinds].sort((a, b) => restCounts(b) - restCounts(a))
  for (const one of kinds) {
    if (one === main && !(isRestOther && rest.length >= one.pages)) continue
    for (const [segment, own] of one.parts) split(`${prefix}${segment}/`, own.map(within), sections)
  }
}
