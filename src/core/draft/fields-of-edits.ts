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
  'og:image:alt': 'imageAlt',
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

/** Tags that come with a picture's slot. */
const WITH_PICTURE = /^og:image:(?:width|height|url|secure_url|type)$|^twitter:image/

/**
 * A draft that does what these edits do to a page, as far as drafts can: what a slot would change beside them is set to
 * what it says now.
 *
 * @returns the fields, and the tags that no draft can hold
 */
export function fieldsOfEdits(edits: TagEdits, facts: PageFacts): { fields: DraftFields; left: string[] } {
  const fields: DraftFields = {}
  const left: string[] = []
  for (const [tag, value] of edits) {
    const text = /^og:(title|description)$/.exec(tag)?.[1] as 'title' | 'description' | undefined
    if (text !== undefined) {
      // A text for all places writes the page's own tag too, and takes the microblog's away: these stay as they are.
      fields[text] = value
      const own = saidBy(facts, text)
      if (value !== null && !edits.has(text)) fields[`${text}@search`] = own
      const placed = saidBy(facts, `twitter:${text}`)
      if (placed !== null && !edits.has(`twitter:${text}`)) fields[`${text}@microblog`] = placed
    } else if (tag === 'og:image') fields.image = value
    else if (Object.hasOwn(SINGLE, tag)) fields[SINGLE[tag]!] = value
    else if (!(edits.has('og:image') && WITH_PICTURE.test(tag))) left.push(tag)
  }
  return { fields, left }
}
