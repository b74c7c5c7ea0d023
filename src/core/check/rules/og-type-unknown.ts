import { isKnownType, isOwnType } from '../../model'
import { ownEntry } from '../../text'
import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

/** Types of the protocol's first version, and what took their place. */
const OBSOLETE: Record<string, string> = {
  blog: 'website',
  activity: 'website',
  sport: 'website',
  bar: 'place',
  cafe: 'place',
  hotel: 'place',
  city: 'place',
  landmark: 'place',
  restaurant: 'restaurant.restaurant',
  company: 'business.business',
  movie: 'video.movie',
  tv_show: 'video.tv_show',
  song: 'music.song',
  album: 'music.album',
  actor: 'profile',
  author: 'profile',
  athlete: 'profile',
  musician: 'profile',
  politician: 'profile',
  public_figure: 'profile',
}

export const ogTypeUnknown = defineCheck({
  id: 'og-type-unknown',
  label: 'unknown og:type',
  subject: 'type',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'og:type against the types of the Open Graph protocol and those in general use.',
  why: 'An unknown type is read as website: what the page is gets lost.',
  messages: {
    unknown: {
      says: 'og:type “{seen}” is no type that places know.',
      fix: 'Use website, article, product, profile or another known type; line {line}.',
      anywhere: 'Use website, article, product, profile or another known type.',
      repair: { do: 'setTag', tag: 'og:type' },
    },
    obsolete: {
      says: 'og:type “{seen}” is obsolete.',
      fix: 'Use {instead} instead; line {line}.',
      anywhere: 'Use {instead} instead.',
      repair: { do: 'setTag', tag: 'og:type', to: '{instead}' },
    },
  },
  check({ facts }) {
    return textsOf(facts, ['og:type']).flatMap(({ text, at }) => {
      const seen = text.toLowerCase()
      const data = { seen: text, line: at?.line ?? 0 }
      const instead = ownEntry(OBSOLETE, seen)
      if (instead !== undefined) return [{ message: 'obsolete', at, data: { ...data, instead } }]
      return isKnownType(seen) || isOwnType(seen) ? [] : [{ message: 'unknown', at, data }]
    })
  },
})
