import { address } from './address'
import { author } from './author'
import { canonical } from './canonical'
import { card } from './card'
import { description, descriptionInSearch, descriptionOnMicroblog } from './description'
import { image, imageOnMicroblog } from './image'
import { imageAlt, imageAltOnMicroblog } from './image-alt'
import { data1, data2, label1, label2 } from './labels'
import { language } from './language'
import { locale } from './locale'
import { richName } from './rich-name'
import { robots } from './robots'
import { siteName } from './site-name'
import type { Slot } from './slot'
import { title, titleInSearch, titleOnMicroblog } from './title'
import { type } from './type'

/** Everything that can be drafted, in the order in which it is shown. A new slot is one file and one line here. */
const ALL = [
  title,
  titleOnMicroblog,
  titleInSearch,
  description,
  descriptionOnMicroblog,
  descriptionInSearch,
  image,
  imageOnMicroblog,
  imageAlt,
  imageAltOnMicroblog,
  card,
  type,
  siteName,
  author,
  address,
  canonical,
  language,
  locale,
  robots,
  richName,
  label1,
  data1,
  label2,
  data2,
] as const

export type { Slot } from './slot'
export type SlotKey = (typeof ALL)[number]['key']

export const slots: readonly Slot<SlotKey>[] = ALL

const BY_KEY: ReadonlyMap<string, Slot<SlotKey>> = new Map(slots.map((slot) => [slot.key, slot]))
const BY_TAG: ReadonlyMap<string, Slot<SlotKey>> = new Map(slots.map((slot) => [slot.writes[0], slot]))

/** The slot of a key. Every key has one. */
export const slotOf = (key: SlotKey): Slot<SlotKey> => BY_KEY.get(key)!

/** The slot that is for a tag: what drafts say of it. undefined: no draft can hold it. */
export const slotForTag = (tag: string): Slot<SlotKey> | undefined => BY_TAG.get(tag)

/** What a slot is called; a key that is none stands for itself. @example slotName('title@search') // 'Title in tab and search' */
export const slotName = (key: string): string => BY_KEY.get(key)?.name ?? key
