import { hostnameOf, isPrivateHost, originOf, samePathOn, strayUrl } from '../address'
import type { GatheredPage, PageFacts } from '../model'
import { forLast, isBlank } from '../text'
import type { PageContext } from './context'
import { type NamedAddress, ownAddresses, pictureAddresses } from './own-addresses'

/**
 * Why a URL of a tag can't be meant. `local`: this machine or a private network. `build`: where the build was served.
 * `preview`: a host where versions of the site are tried out. `elsewhere`: canonical, og:url and og:image agree on a
 * host that is not the site's. `doubled`: one URL within another. `unfilled`: a script had no value for a part.
 */
export type Stray = {
  why: 'local' | 'build' | 'preview' | 'elsewhere' | 'doubled' | 'unfilled'
  /** The URL that was meant; null where nothing tells. */
  whole: string | null
}

type ReadPage = GatheredPage & { facts: PageFacts }

const ABSOLUTE = /^\s*(?:[a-z][a-z0-9+.-]*:)?\/\//i

const originOfLast = forLast<{ origin: string | null }>()

/**
 * The origin, other than the site's, that canonical, og:url and og:image of a page agree on, with the page's own path:
 * what a build for another place left behind. Null where they don't.
 */
const leftOrigin = (page: ReadPage, { addresses }: Pick<PageContext, 'addresses'>): string | null =>
  originOfLast(page.facts, addresses, 'left', () => ({ origin: findLeftOrigin(page, addresses.site) })).origin

function findLeftOrigin(page: ReadPage, site: string): string | null {
  const own = ownAddresses(page)
  const pictures = pictureAddresses(page)
  const hasBoth = ['canonical', 'og:url'].every((key) => own.some((one) => one.key === key))
  if (!hasBoth || pictures.length === 0) return null
  const origins = new Set([...own, ...pictures].map(({ address }) => (address === null ? '' : originOf(address))))
  const [origin] = origins
  if (origins.size !== 1 || !origin || origin === originOf(site)) return null
  // The same site by http is another finding.
  if (hostnameOf(origin) === hostnameOf(site)) return null
  return own.every(({ address }) => samePathOn(address!, site) === page.url) ? origin : null
}

/**
 * What is wrong with a URL that a tag gives, whatever is found at it. Null where nothing is.
 *
 * A part called `null` or `undefined` is a page about it where the page's own URL has it, or the image is there.
 */
export function strayOf(
  { raw, address }: Pick<NamedAddress, 'raw' | 'address'>,
  page: ReadPage,
  context: Pick<PageContext, 'addresses' | 'images'>,
): Stray | null {
  const { addresses, images } = context
  const stray = strayUrl(raw, address, addresses.site)
  if (stray?.why === 'unfilled') {
    const isMeant =
      address !== null && (addresses.toPublic(address) === page.url || images.get(address)?.errorCode === null)
    if (!isMeant) return { ...stray, whole: (address !== null && images.get(address)?.foundAt) || stray.whole }
  } else if (stray) return stray
  if (address === null || !ABSOLUTE.test(raw)) return null
  const isBuild =
    addresses.build !== null &&
    addresses.build !== addresses.site &&
    originOf(address) === originOf(addresses.build) &&
    addresses.toPublic(address) !== address
  if (isBuild) return { why: 'build', whole: addresses.toPublic(address) }
  if (isPrivateHost(hostnameOf(address))) return { why: 'local', whole: samePathOn(address, addresses.site) }
  return leftOrigin(page, context) === originOf(address)
    ? { why: 'elsewhere', whole: samePathOn(address, addresses.site) }
    : null
}

/** Is the URL of an image one that can't be meant? Then nothing else is said of the image. */
export const isStrayPicture = (raw: string, url: string, page: ReadPage, context: PageContext): boolean =>
  !isBlank(raw) && strayOf({ raw, address: url }, page, context) !== null
