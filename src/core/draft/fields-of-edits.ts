import type { PageFacts } from '../model'
import type { DraftFields, DraftSlot } from './draft'
import { saidBy } from './drafted-page'
import type { TagEdits } from './tag-edits'

/** Slots that write one tag and nothing else. */
const SINGLE: Readonly<Record<string, DraftSlot>> = {
  title: 'title@search',
  description: 'description@search',
  'twitter:title': 'title@microblog',
  'twitter:description': 'description@microblog',
  'twitter:image': 'image@microblog',
  'twitter:image:alt': 'imageAlt@microblog',
  'twitter:card': 'card',
  'og:type': 'type',
  'og:site_name': 'siteName',
  author: 'author',
  canonical: 'canonical',
  'og:url': 'address',
  'html lang': 'language',
  'og:locale': 'locale',
  robots: 'robots',
  'json-ld name': 'richName',
}

/** Tags that come with a picture's slot, or go with it. */
const WITH_PICTURE = /^og:image:(?:width|height|url|secure_url|type)$/

/** Tags that the author's slot takes away. */
const BESIDE_AUTHOR = ['article:author', 'twitter:creator']

/**
 * A draft that does what these edits do to a page, as far as drafts can: what a slot would change beside them is set to
 * what it says now.
 *
 * @returns the fields, and the tags that no draft can hold
 */
export function fieldsOfEdits(edits: TagEdits, facts: PageFacts): { fields: DraftFields; left: string[] } {
  const fields: DraftFields = {}
  const left: string[] = []
  /** Lets a tag that a slot would take away say what it says now. */
  const keep = (slot: DraftSlot, tag: string) => {
    const now = edits.has(tag) ? null : saidBy(facts, tag)
    if (now !== null) fields[slot] = now
  }
  for (const [tag, value] of edits) {
    const text = /^og:(title|description)$/.exec(tag)?.[1] as 'title' | 'description' | undefined
    if (text !== undefined) {
      // A text for all places writes the page's own tag too, and takes the microblog's away: these stay as they are.
      fields[text] = value
      const own = saidBy(facts, text)
      if (value !== null && !edits.has(text)) fields[`${text}@search`] = own
      const placed = saidBy(facts, `twitter:${text}`)
      if (placed !== null && !edits.has(`twitter:${text}`)) fields[`${text}@microblog`] = placed
    } else if (tag === 'og:image') {
      fields.image = value
      keep('imageAlt', 'og:image:alt')
      keep('image@microblog', 'twitter:image')
      keep('imageAlt@microblog', 'twitter:image:alt')
    } else if (tag === 'og:image:alt') {
      fields.imageAlt = value
      keep('imageAlt@microblog', 'twitter:image:alt')
    } else if (tag === 'author' && BESIDE_AUTHOR.some((other) => saidBy(facts, other) !== null)) left.push(tag)
    else if (Object.hasOwn(SINGLE, tag)) fields[SINGLE[tag]!] = value
    else if (!(edits.has('og:image') && (WITH_PICTURE.test(tag) || (tag === 'twitter:image:src' && value === null))))
      left.push(tag)
  }
  return { fields, left }
}
