import { ownPart, withOwnPart } from '../check'
import type { GatheredImage, PageFacts } from '../model'
import { firstValue } from '../surface'
import { collapseWhiteSpace } from '../text'
import type { DraftFields, DraftSlot } from './draft'

/** Tags that change: the key (`title` is the element), and what it is to say; null: taken out. */
export type TagEdits = ReadonlyMap<string, string | null>

/** Tags that a slot writes, and those that would beat it somewhere and go. */
const SLOT_TAGS: Record<Exclude<DraftSlot, 'image' | 'image@microblog'>, { writes: string[]; clears: string[] }> = {
  title: { writes: ['og:title', 'title'], clears: ['twitter:title'] },
  'title@microblog': { writes: ['twitter:title'], clears: [] },
  'title@search': { writes: ['title'], clears: [] },
  description: { writes: ['og:description', 'description'], clears: ['twitter:description'] },
  'description@microblog': { writes: ['twitter:description'], clears: [] },
  'description@search': { writes: ['description'], clears: [] },
  imageAlt: { writes: ['og:image:alt'], clears: ['twitter:image:alt'] },
  'imageAlt@microblog': { writes: ['twitter:image:alt'], clears: [] },
  card: { writes: ['twitter:card'], clears: [] },
  type: { writes: ['og:type'], clears: [] },
  siteName: { writes: ['og:site_name'], clears: [] },
  author: { writes: ['author'], clears: ['article:author', 'twitter:creator'] },
  label1: { writes: ['twitter:label1'], clears: [] },
  data1: { writes: ['twitter:data1'], clears: [] },
  label2: { writes: ['twitter:label2'], clears: [] },
  data2: { writes: ['twitter:data2'], clears: [] },
  language: { writes: ['html lang'], clears: [] },
  canonical: { writes: ['canonical'], clears: [] },
  address: { writes: ['og:url'], clears: [] },
  locale: { writes: ['og:locale'], clears: [] },
  robots: { writes: ['robots'], clears: [] },
  richName: { writes: ['json-ld name'], clears: [] },
}

/** Clearing a text for every place leaves what search and tab read: cards then fall back to it. */
const KEPT_WHEN_CLEARED = new Set(['title', 'description'])

const OG_IMAGE_FORMS = ['og:image:url', 'og:image:secure_url', 'og:image:type'] as const
const CARD_IMAGE = ['twitter:image', 'twitter:image:src', 'twitter:image:alt'] as const

/** The file that a URL names, without host and folders. */
const fileIn = (url: string) => url.split(/[?#]/, 1)[0]!.split('/').at(-1) || null

/** Does a page name the very same file, under another host or path? */
const isSameFile = (url: string | null, facts: PageFacts | undefined) => {
  const now = facts ? firstValue(facts, 'og:image') : null
  return url !== null && now !== null && fileIn(url) !== null && fileIn(url) === fileIn(now)
}

/** Declares what is known of the picture; what was said of the old one goes, unless it is only its URL that changes. */
function editImage(
  edits: Map<string, string | null>,
  url: string | null,
  image: GatheredImage | undefined,
  facts: PageFacts | undefined,
): void {
  edits.set('og:image', url)
  const isOnlyMoved = !image?.width && isSameFile(url, facts)
  for (const key of OG_IMAGE_FORMS) if (!(isOnlyMoved && key === 'og:image:type')) edits.set(key, null)
  if (isOnlyMoved) {
    for (const key of CARD_IMAGE) edits.set(key, null)
    return
  }
  const size = url !== null && image?.width && image.height ? image : null
  edits.set('og:image:width', size ? String(size.width) : null)
  edits.set('og:image:height', size ? String(size.height) : null)
  edits.set('og:image:alt', null)
  for (const key of CARD_IMAGE) edits.set(key, null)
}

/**
 * What a draft's slots mean as tags. Slots for one place come after those for all, and win there.
 *
 * @param imageOf a picture of the run by its public address, for the size that is declared beside it
 * @param page the page that it is for, and the names that its template may put on the title beside its og:site_name: they
 *   stay there. Absent: nothing is known of it
 */
export function tagEdits(
  fields: DraftFields,
  imageOf: (url: string) => GatheredImage | undefined,
  page: { facts: PageFacts; names: readonly (string | null)[] } | null = null,
): TagEdits {
  const edits = new Map<string, string | null>()
  const { image } = fields
  if (image !== undefined) editImage(edits, image, image === null ? undefined : imageOf(image), page?.facts)
  const slots = Object.keys(fields) as DraftSlot[]
  const inOrder = [...slots.filter((slot) => !slot.includes('@')), ...slots.filter((slot) => slot.includes('@'))]
  for (const slot of inOrder) {
    const value = fields[slot]
    if (value === undefined || slot === 'image') continue
    if (slot === 'image@microblog') {
      edits.set('twitter:image', value)
      edits.set('twitter:image:src', null)
      continue
    }
    const { writes, clears } = SLOT_TAGS[slot]
    const isClearedForAll = value === null && clears.length > 0
    for (const key of writes) if (!(isClearedForAll && KEPT_WHEN_CLEARED.has(key))) edits.set(key, value)
    for (const key of clears) edits.set(key, null)
  }
  const { title } = fields
  if (page && typeof title === 'string' && fields['title@search'] === undefined)
    edits.set('title', withAffix(page.facts, title, page.names))
  return edits
}

/**
 * A title in place of the page's own part of its title: the site's name and the separator that the template adds stay.
 * A text that has them itself was written with them.
 */
function withAffix(facts: PageFacts, title: string, names: readonly (string | null)[]): string {
  const known = [firstValue(facts, 'og:site_name'), ...names]
  if (ownPart(title, known) !== collapseWhiteSpace(title.trim())) return title
  return withOwnPart(facts.title ?? '', title.trim(), known) ?? title
}
