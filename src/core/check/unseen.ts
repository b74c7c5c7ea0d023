import type { GatheredPage, PageFacts, Summary, Unseen } from '../model'
import { isLookedAt } from '../surface'
import { addTo } from '../text'
import type { CheckContext } from './context'

/** The same, with all the pages whose cards it decides. */
export type UnseenOnPages = Pick<Unseen, 'kind' | 'url' | 'reason'> & { pages: string[] }

/** The check that would have told of it: who takes that on takes it on unseen. */
export const UNSEEN_RULE: Record<Unseen['kind'], string> = { image: 'image-unreachable', robots: 'crawler-blocked' }

/** Images that some place shows of a page, and that were not looked at. */
function* unseenImages(page: GatheredPage & { facts: PageFacts }, context: CheckContext): Generator<string> {
  const declared = context.declaredImages(page)
  // Most pages name images that were seen and can be used, or have none at all.
  if (declared.length === 0 && page.facts.contentImages.length === 0) return
  const isUsable = ({ url }: { url: string }) => {
    const image = context.images.get(url)
    return isLookedAt(image) && image.errorCode === null
  }
  if (declared.length > 0 && declared.every(isUsable)) return
  const urls = new Set(context.surfaces.flatMap((surface) => context.pictureOf(page, surface).image.url ?? []))
  for (const url of urls) if (!isLookedAt(context.images.get(url))) yield url
}

/** All that decides cards of a run and was not seen. Pages that are never shared have no say. */
export function unseenIn(context: CheckContext): UnseenOnPages[] {
  const pagesOf = new Map<string, string[]>()
  for (const page of context.readable) {
    const rule = context.ruleFor(page)
    if (rule.isNotShared || rule.levels[UNSEEN_RULE.image] === 'off') continue
    for (const url of unseenImages(page, context)) addTo(pagesOf, url, page.url)
  }
  const images = [...pagesOf].map(([url, pages]): UnseenOnPages => {
    const reason = context.images.get(url)?.error ?? 'It was not looked at.'
    return { kind: 'image', url, reason, pages }
  })
  const { robotsTxt, notes } = context.gathering
  const robots = (robotsTxt === null ? notes : [])
    .filter(({ kind }) => kind === 'robots-unknown')
    .map(({ message }): UnseenOnPages => {
      const { site } = context.addresses
      return { kind: 'robots', url: new URL('/robots.txt', site).href, reason: message, pages: [site] }
    })
  return [...robots, ...images.sort((a, b) => b.pages.length - a.pages.length)]
}

/** Things told of at most, and pages of each. */
const MOST_TOLD = 200
const PAGES_TOLD = 3

/** In short, as a summary has it. */
export const toldUnseen = (all: readonly UnseenOnPages[]): Pick<Summary, 'unseen' | 'unseenCount'> =>
  all.length === 0
    ? {}
    : {
        unseen: all.slice(0, MOST_TOLD).map(({ pages, ...one }) => ({
          ...one,
          count: pages.length,
          first: pages.slice(0, PAGES_TOLD),
        })),
        unseenCount: all.length,
      }
