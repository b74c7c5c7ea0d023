/**
 * Values of og:type: those of the Open Graph protocol (https://ogp.me), and the ones in general use beside them.
 * `restaurant.*` is open; a type of one's own is `prefix:type`.
 */
export const KNOWN_TYPES = [
  'website',
  'article',
  'book',
  'profile',
  'music.song',
  'music.album',
  'music.playlist',
  'music.radio_station',
  'video.movie',
  'video.episode',
  'video.tv_show',
  'video.other',
  'payment.link',
  'product',
  'product.item',
  'product.group',
  'place',
  'business.business',
  'restaurant.restaurant',
  'event',
]

const RESTAURANT = /^restaurant\.\w+$/
const OWN = /^[a-z][\w-]*:[\w.-]+$/

/** @param type in lower case */
export const isKnownType = (type: string): boolean => KNOWN_TYPES.includes(type) || RESTAURANT.test(type)

/** `prefix:type`, as the protocol has it for types of one's own. */
export const isOwnType = (type: string): boolean => OWN.test(type)
