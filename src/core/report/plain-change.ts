import type { Cause } from '../cause'
import { checkOf, type Subject } from '../check'
import { sectionName } from '../section'
import { listed } from '../text'

/** What a finding is about, for somebody who has never seen a tag. */
const SUBJECTS: Record<Subject, string> = {
  title: 'the title',
  description: 'the sentence below the title',
  picture: 'the picture',
  'picture-text': 'the text for the picture',
  type: 'what kind of page it is said to be',
  card: 'the size of the card',
  address: 'the address that the card leads to',
  'site-name': 'the name of the site',
  account: 'the account that is named',
  language: 'the language that is named',
  'rich-data': 'details such as author, date or price',
  'share-links': 'the share buttons',
  access: 'whether the page may be read at all',
  head: 'what stands before the text of the page',
  tags: 'what the page says of itself',
}

/** What a client looks at first comes first. */
const ORDER = Object.keys(SUBJECTS) as Subject[]

/** Where a change is made, as a client would say it. */
function whereOf({ where, section, pages }: Cause, pathOf: (url: string) => string): string {
  if (pages.length === 1) return pathOf(pages[0]!)
  if (where === 'section') return `${sectionName(section)}, ${pages.length} pages`
  return pages.length === 0 ? 'The whole site' : `${pages.length} pages`
}

/** A change without a word of the trade: where, what of the card is to be put right, and why it matters. */
export function plainChange(
  cause: Cause,
  pathOf: (url: string) => string,
): { where: string; what: string; why: string } {
  const found = cause.rules.flatMap((rule) => checkOf(rule) ?? [])
  const about = new Set(found.map(({ subject }) => subject))
  const subjects = ORDER.flatMap((subject) => (about.has(subject) ? SUBJECTS[subject] : []))
  const shown = subjects.length > 4 ? [...subjects.slice(0, 3), `${subjects.length - 3} more things`] : subjects
  return {
    where: whereOf(cause, pathOf),
    what:
      shown.length === 0 ? 'to be put right' : `${listed(shown)} ${shown.length > 1 ? 'are' : 'is'} to be put right`,
    // Of many things at once no single reason tells enough.
    why: subjects.length > 2 ? '' : (checkOf(cause.rule)?.why ?? ''),
  }
}
