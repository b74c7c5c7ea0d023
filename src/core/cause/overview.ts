import { z } from 'zod'
import { type CheckContext, MIN_LARGE, MIN_SHOWN } from '../check'
import type { PageFacts } from '../model'
import { DEFAULT_LIMITS } from '../requirements'
import { firstValue, metasOf, surfacesWith } from '../surface'
import { addTo, isBlank } from '../text'

/** Fields that a heat map shows, with the tags that count as the page's own word. */
export const coverageFields = [
  'title',
  'description',
  'picture',
  'picture-alt',
  'type',
  'card',
  'address',
  'site-name',
] as const
const CoverageField = z.enum(coverageFields)
type CoverageField = z.infer<typeof CoverageField>

/**
 * What a page has of a field. `own`: a value of its own. `shared`: one that other pages have too, where each should have
 * its own. `fallback`: none, and another source feeds the cards. `empty`: the tag says nothing. `missing`: no tag.
 */
export const Coverage = z.enum(['own', 'shared', 'fallback', 'empty', 'missing'])
export type Coverage = z.infer<typeof Coverage>

export type SectionCoverage = {
  section: string
  pages: number
  fields: Record<CoverageField, Record<Coverage, number>>
}

/** Lengths of one page's texts as cards take them, in code points; null where there is none. */
export type PageLengths = { url: string; title: number | null; description: number | null }
/** A share picture with the pages that it feeds. */
export type PictureSize = {
  url: string
  width: number | null
  height: number | null
  bytes: number | null
  pages: string[]
}

/** What a run looks like from afar. */
export type Overview = { coverage: SectionCoverage[]; lengths: PageLengths[]; pictures: PictureSize[] }

const TAGS: Record<CoverageField, { keys: readonly string[]; mustDiffer: boolean }> = {
  title: { keys: ['og:title'], mustDiffer: true },
  description: { keys: ['og:description'], mustDiffer: true },
  picture: { keys: ['og:image'], mustDiffer: true },
  'picture-alt': { keys: ['og:image:alt', 'twitter:image:alt'], mustDiffer: false },
  type: { keys: ['og:type'], mustDiffer: false },
  card: { keys: ['twitter:card'], mustDiffer: false },
  address: { keys: ['og:url'], mustDiffer: false },
  'site-name': { keys: ['og:site_name'], mustDiffer: false },
}

const FALLBACKS: Partial<Record<CoverageField, (facts: PageFacts) => string | null>> = {
  title: ({ title, h1 }) => title || h1,
  description: ({ description, firstParagraph }) => description || firstParagraph,
  picture: ({ contentImages }) => contentImages[0]?.src ?? null,
}

/** So many pages with one value show that it is no page's own. */
export const SHARED_BY = 3

function coverageOf(facts: PageFacts, field: CoverageField, counts: ReadonlyMap<string, number>): Coverage {
  const { keys, mustDiffer } = TAGS[field]
  const value = keys.map((key) => firstValue(facts, key)).find((said) => said !== null)
  if (value) return mustDiffer && (counts.get(`${field}\n${value}`) ?? 0) >= SHARED_BY ? 'shared' : 'own'
  if (keys.some((key) => metasOf(facts, key).length > 0)) return 'empty'
  return isBlank(FALLBACKS[field]?.(facts)) ? 'missing' : 'fallback'
}

function valueCounts(context: CheckContext): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { facts } of context.readable) {
    for (const field of coverageFields) {
      const value = TAGS[field].keys.map((key) => firstValue(facts, key)).find((said) => said !== null)
      if (value) counts.set(`${field}\n${value}`, (counts.get(`${field}\n${value}`) ?? 0) + 1)
    }
  }
  return counts
}

const noPages = (): Record<Coverage, number> => ({ own: 0, shared: 0, fallback: 0, empty: 0, missing: 0 })

function coverageBySection(context: CheckContext): SectionCoverage[] {
  const counts = valueCounts(context)
  const sections = new Map<string, SectionCoverage>()
  for (const page of context.readable) {
    const section = context.sections.get(page.url) ?? '/'
    const fresh = () =>
      Object.fromEntries(coverageFields.map((field) => [field, noPages()])) as SectionCoverage['fields']
    const row = sections.get(section) ?? { section, pages: 0, fields: fresh() }
    row.pages++
    for (const field of coverageFields) row.fields[field][coverageOf(page.facts, field, counts)]++
    sections.set(section, row)
  }
  return [...sections.values()].sort((a, b) => b.pages - a.pages || (a.section < b.section ? -1 : 1))
}

const lengthOf = (text: string | null) => (isBlank(text) ? null : [...text!.trim()].length)

/** In one pass over the pages, with indexes. */
export function overviewOf(context: CheckContext): Overview {
  const uses = new Map<string, string[]>()
  for (const page of context.readable) {
    for (const { url } of context.declaredImages(page)) addTo(uses, url, page.url)
  }
  return {
    coverage: coverageBySection(context),
    lengths: context.readable.map(({ url, facts }) => ({
      url,
      title: lengthOf(firstValue(facts, 'og:title') ?? facts.title),
      description: lengthOf(firstValue(facts, 'og:description') ?? facts.description),
    })),
    pictures: [...uses].map(([url, pages]) => {
      const image = context.images.get(url)
      return { url, width: image?.width ?? null, height: image?.height ?? null, bytes: image?.bytes ?? null, pages }
    }),
  }
}

/** The place that drops an image first for its weight. */
const LIGHTEST = surfacesWith([])
  .flatMap(({ name, picture }) => (picture?.maxBytes ? [{ at: picture.maxBytes.value, name }] : []))
  .reduce((least, one) => (one.at < least.at ? one : least))

/** Lengths and weights at which something begins to be lost: drawn into the charts. */
export const chartMarks = {
  title: [{ at: DEFAULT_LIMITS.titleCharacters, name: 'limit' }],
  description: [{ at: DEFAULT_LIMITS.descriptionCharacters, name: 'limit' }],
  weight: [
    { at: 100_000, name: 'aim' },
    { at: DEFAULT_LIMITS.pictureBytes, name: 'heavy' },
    { at: LIGHTEST.at, name: `${LIGHTEST.name.toLowerCase()} drops it` },
  ],
  size: [
    { ...MIN_SHOWN, name: 'least shown' },
    { ...MIN_LARGE, name: 'large from' },
    { width: 1200, height: 630, name: 'recommended' },
  ],
} as const

/** A histogram's bars: equal steps from 0, the last open upwards. */
export function histogram(
  values: readonly number[],
  step: number,
  most: number,
): { from: number; to: number; count: number }[] {
  const bars = Array.from({ length: Math.ceil(most / step) }, (_, index) => ({
    from: index * step,
    to: (index + 1) * step,
    count: 0,
  }))
  for (const value of values) bars[Math.min(bars.length - 1, Math.floor(value / step))]!.count++
  return bars
}
