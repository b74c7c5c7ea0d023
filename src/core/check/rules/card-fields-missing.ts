import { cardKindOf, metasOf, publicImageUrl } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

const PLAYER = ['twitter:player', 'twitter:player:width', 'twitter:player:height']
const APP_IDS = ['twitter:app:id:iphone', 'twitter:app:id:ipad', 'twitter:app:id:googleplay']
const VIDEO = ['og:video:type', 'og:video:width', 'og:video:height']

export const cardFieldsMissing = defineCheck({
  id: 'card-fields-missing',
  label: 'card fields missing',
  subject: 'card',
  alsoReads: ['picture'],
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Player and app cards, and og:video.',
  why: 'Without all their fields these cards are not shown at all.',
  messages: {
    missing: {
      says: '{kind} lacks {lacks}.',
      fix: 'Add {lacks}, or choose another card kind; line {line}.',
      anywhere: 'Add {lacks}, or choose another card kind.',
      repair: { do: 'askPerson', needs: '{lacks}' },
    },
    beside: {
      says: '{key} is {url}, which is outside of {site}.',
      fix: 'Give the URL of the video as it will be on the site; line {line}.',
      anywhere: 'Give the URL of the video as it will be on the site.',
      repair: { do: 'askPerson', needs: 'the URL of the video on the site' },
    },
  },
  check(page, { addresses }) {
    const { facts } = page
    const has = (key: string) => textsOf(facts, [key]).length > 0
    const kind = cardKindOf(facts)
    const needs =
      kind === 'player' ? PLAYER : kind === 'app' && !APP_IDS.some(has) ? ['an app’s id (twitter:app:id:…)'] : []
    const video = has('og:video') || has('og:video:url') ? VIDEO : []
    const lacking = (kind_: string, keys: readonly string[], tag: string) => {
      const lacks = keys.filter((key) => (!key.startsWith('an ') ? !has(key) : true))
      const at = metasOf(facts, tag)[0]
      return lacks.length === 0
        ? []
        : [{ message: 'missing', at: at ?? null, data: { kind: kind_, lacks: lacks.join(', '), line: at?.line ?? 0 } }]
    }
    const beside = ['og:video', 'og:video:url', 'og:video:secure_url'].flatMap((key) =>
      metasOf(facts, key).flatMap((tag) => {
        const url = isBlank(tag.value) ? null : publicImageUrl(page, tag.value!, { addresses })
        return url !== null && addresses.isBesideSite(url)
          ? [{ message: 'beside', at: tag, data: { key, url, site: addresses.site, line: tag.line } }]
          : []
      }),
    )
    return [
      ...beside.slice(0, 1),
      ...lacking(`The ${kind} card`, needs, 'twitter:card'),
      ...lacking('og:video', video, has('og:video') ? 'og:video' : 'og:video:url'),
    ]
  },
})
