import { SHARED_BY } from '@/core/cause'
import type { PictureEntry } from '@/core/check'
import type { Draft } from '@/core/draft'
import type { WallRow } from '@/store/database'

/** Whose picture a page has: its own, one that others have too, none. */
type HasPicture = 'own' | 'shared' | 'none'
/** `drafted`: address of a picture that is drafted for the page; null when none is. */
export type ComposePage = { url: string; path: string; has: HasPicture; drafted: string | null }
export type ComposeSection = { section: string; pages: ComposePage[]; without: number; drafted: number }

/** Sections by how many of their pages lack a picture of their own, the neediest first. */
export function composeSections(
  rows: readonly Pick<WallRow, 'url' | 'path' | 'section' | 'status'>[],
  book: readonly PictureEntry[],
  drafts: ReadonlyMap<string, Draft>,
): ComposeSection[] {
  const has = new Map<string, HasPicture>()
  for (const { uses } of book) {
    for (const { page } of uses) if (has.get(page) !== 'own') has.set(page, uses.length >= SHARED_BY ? 'shared' : 'own')
  }
  const sections = new Map<string, ComposeSection>()
  for (const { url, path, section, status } of rows) {
    if (status !== null && status !== 200) continue
    const found = sections.get(section) ?? { section, pages: [], without: 0, drafted: 0 }
    sections.set(section, found)
    const own = has.get(url) ?? 'none'
    const draft = drafts.get(url)
    const drafted = (draft?.landedAt === null && draft.fields.image) || null
    found.pages.push({ url, path, has: own, drafted })
    if (own === 'none' && drafted) found.drafted++
    else if (own === 'none') found.without++
  }
  return [...sections.values()].sort(
    (a, b) =>
      b.without + b.drafted - a.without - a.drafted ||
      b.pages.length - a.pages.length ||
      (a.section < b.section ? -1 : 1),
  )
}

/** Pages that are to be filled: those without a picture, also those that share one, all. */
export type Fills = 'none' | 'shared' | 'all'

/**
 * Pages to fill. A picture that was drafted by hand counts as one; what was composed before is composed again.
 *
 * @param base address under which composed pictures lie
 */
export const pagesToFill = ({ pages }: ComposeSection, fills: Fills, base: string): ComposePage[] =>
  pages.filter(
    ({ has, drafted }) =>
      fills === 'all' ||
      ((drafted === null || drafted.startsWith(base)) && (has === 'none' || (fills === 'shared' && has === 'shared'))),
  )
