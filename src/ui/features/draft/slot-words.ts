import type { DraftSlot } from '@/core/draft'

const NAMES: Readonly<Record<string, string>> = {
  title: 'Title',
  description: 'Description',
  image: 'Picture',
  imageAlt: 'Alternative text',
  card: 'Card kind',
  type: 'Kind of page',
  siteName: 'Site name',
  author: 'Author',
  label1: 'First label',
  data1: 'First value',
  label2: 'Second label',
  data2: 'Second value',
  language: 'Language',
  canonical: 'Canonical address',
  address: 'Address of the card',
  locale: 'Locale',
  robots: 'Robots',
  richName: 'Name in JSON-LD',
}
const PLACES: Readonly<Record<string, string>> = { microblog: 'on Microblog', search: 'in tab and search' }

/** What a slot of a draft is called. @example slotWords('title@search') // 'Title in tab and search' */
export function slotWords(slot: DraftSlot | string): string {
  const [base = '', place] = slot.split('@')
  const name = NAMES[base] ?? base
  return place === undefined ? name : `${name} ${PLACES[place] ?? place}`
}
