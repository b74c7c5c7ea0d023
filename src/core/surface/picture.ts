import { type AddressMap, baseOf, resolveAddress } from '../address'
import { type Crop, cropToRatio } from '../image'
import type { GatheredImage, GatheredPage, PageFacts } from '../model'
import { trimAscii } from '../text'
import { imageCandidates, ogImages } from './candidates'
import type { CardContext } from './card'
import type { PicturePart } from './card-model'
import { type Candidate, climb, type Judge } from './ladder'
import type { Layout, PictureRules, Surface } from './profile'

/** Addresses of the page that was asked about last: ten places and a dozen checks ask for the same few in turn. */
let resolved: { page: GatheredPage; addresses: AddressMap; urls: Map<string, string | null> } | null = null

/** Public address of a picture as a page writes it; null when it is no http(s) address. */
export function publicImageUrl(
  page: GatheredPage,
  raw: string,
  context: Pick<CardContext, 'addresses'>,
): string | null {
  const { addresses } = context
  if (resolved?.page !== page || resolved.addresses !== addresses) resolved = { page, addresses, urls: new Map() }
  const known = resolved.urls.get(raw)
  if (known !== undefined) return known
  const url = isHttp(raw)
    ? publicAddress(raw, addresses)
    : publicOf(raw, baseOf(page.url, page.facts?.base ?? null), addresses)
  resolved.urls.set(raw, url)
  return url
}

const isHttp = (raw: string) => raw.startsWith('https://') || raw.startsWith('http://')

function publicOf(raw: string, base: string, addresses: AddressMap): string | null {
  const address = resolveAddress(raw, base)
  return address === null ? null : addresses.toPublic(address)
}

/** Whole addresses that are remembered at most: many pages name one picture. */
const MOST_WHOLE = 20_000
const whole = new WeakMap<AddressMap, Map<string, string | null>>()

/** A whole address, which says the same on whatever page it stands. */
function publicAddress(raw: string, addresses: AddressMap): string | null {
  const known = whole.get(addresses) ?? new Map<string, string | null>()
  if (known.size === 0 || known.size >= MOST_WHOLE) {
    known.clear()
    whole.set(addresses, known)
  }
  const found = known.get(raw)
  if (found !== undefined) return found
  const url = publicOf(raw, 'about:blank', addresses)
  known.set(raw, url)
  return url
}

const SCHEME = /^[a-z][a-z0-9+.-]*:/i

/** Does an address name its scheme, as the Open Graph protocol asks? */
export const isWholeAddress = (raw: string): boolean => SCHEME.test(trimAscii(raw))

/** Was this picture really asked for? What was not looked at is taken on trust. */
export const isLookedAt = (image: GatheredImage | undefined): image is GatheredImage =>
  image !== undefined && image.errorCode !== 'not-looked-at'

type Size = { width: number; height: number }

const isAtLeast = (size: Size, least: Size) => size.width >= least.width && size.height >= least.height

/** Why a place passes over a picture that was looked at; null when it can use it. */
function refusal(image: GatheredImage, rules: PictureRules, least: Size): ReturnType<Judge> {
  const code = image.errorCode
  if (code === 'not-image' || code === 'damaged' || code === 'empty')
    return { outcome: 'refused', why: image.error ?? code }
  if (code !== null) return { outcome: 'unreachable', why: image.error ?? code }
  if (image.format && rules.refused.value.includes(image.format)) {
    return { outcome: 'refused', why: `${image.format} is not shown here` }
  }
  if (rules.maxBytes && image.bytes !== null && image.bytes > rules.maxBytes.value) {
    return { outcome: 'refused', why: `over ${rules.maxBytes.value / 1_000_000} MB` }
  }
  const { width, height } = image
  if (width === null || height === null) return null
  if (rules.maxSide && Math.max(width, height) > rules.maxSide.value) {
    return { outcome: 'refused', why: `over ${rules.maxSide.value} px` }
  }
  if (!isAtLeast({ width, height }, least)) {
    return { outcome: 'too-small', why: `${width} × ${height}, least ${least.width} × ${least.height}` }
  }
  return null
}

const CONTENT_LEAST: Size = { width: 200, height: 200 }

function judgeFor(page: GatheredPage, rules: PictureRules, context: CardContext): Judge {
  return (candidate) => {
    const url = publicImageUrl(page, candidate.value ?? '', context)
    if (url === null) return { outcome: 'refused', why: 'not an http address' }
    const image = context.images.get(url)
    const isContent = candidate.from === 'content-image'
    if (!isContent && !rules.completesAddresses.value && !isWholeAddress(candidate.value ?? ''))
      return { outcome: 'refused', why: 'not a whole address, and this place does not complete it' }
    // A content picture that was not looked at was not needed: a declared picture already won.
    if (!isLookedAt(image)) return null
    const least = rules.least.value
    const contentLeast = {
      width: Math.max(least.width, CONTENT_LEAST.width),
      height: Math.max(least.height, CONTENT_LEAST.height),
    }
    return refusal(image, rules, isContent ? contentLeast : least)
  }
}

/** Size of the picture: from its own header, else as the tags declare it, else not known. */
function sizeOf(url: string, taken: Candidate, facts: PageFacts, context: CardContext): Size | null {
  const image = context.images.get(url)
  if (isLookedAt(image)) {
    return image.width !== null && image.height !== null ? { width: image.width, height: image.height } : null
  }
  const declared = ogImages(facts).find(({ forms }) =>
    forms.some(({ line, column }) => line === taken.line && column === taken.column),
  )
  const width = Number(declared?.width?.value)
  const height = Number(declared?.height?.value)
  return width > 0 && height > 0 ? { width, height } : null
}

/** Does the page ask for a large card? Only places that go by the card kind care. */
export type CardKind = 'summary' | 'summary_large_image' | 'player' | 'app'

/** Does the place leave room for a large picture on this page, whatever its size? */
function wantsLarge(surface: Surface, kind: CardKind | null): boolean {
  switch (surface.layoutBy) {
    case 'picture':
      return true
    case 'card-kind':
      return kind === 'summary_large_image' || kind === 'player'
    case 'asked-large':
      return kind === 'summary_large_image'
    case 'asked-small':
      return kind !== 'summary'
    default:
      return false
  }
}

function layoutFor(size: Size | null, surface: Surface, rules: PictureRules, kind: CardKind | null): Layout {
  if (surface.layoutBy === 'card-kind' && kind === 'app') return 'text'
  if (!wantsLarge(surface, kind)) return 'thumbnail'
  const large = rules.largeRatio ? 'wide' : 'natural'
  // A picture of unknown size is taken for a fitting one: the run says that it was not looked at.
  if (size === null) return large
  const isTooWide = rules.widest !== null && size.width > rules.widest.value * size.height
  return isAtLeast(size, rules.largeFrom.value) && !isTooWide ? large : 'thumbnail'
}

/** Width divided by height of what is shown of a picture. */
function shownRatio(size: Size, layout: Layout, rules: PictureRules): number {
  if (layout === 'wide' && rules.largeRatio) return rules.largeRatio.value
  if (layout === 'thumbnail') return rules.thumbnailRatio.value
  const own = size.width / size.height
  return rules.tallest ? Math.max(own, 1 / rules.tallest.value) : own
}

/** What a place does with one picture: keeps this part of it in that layout, or refuses it. */
export type CropResult =
  | { kind: 'kept'; surface: Surface; layout: 'wide' | 'natural' | 'thumbnail'; crop: Crop }
  | { kind: 'refused'; surface: Surface; why: string }

/**
 * What each place keeps of a picture, on a page that asks for a card of this kind. Places without pictures are left out.
 */
export function cropsFor(image: GatheredImage, surfaces: readonly Surface[], kind: CardKind | null): CropResult[] {
  return surfaces.flatMap((surface): CropResult[] => {
    const rules = surface.picture
    if (!rules) return []
    const refused = refusal(image, rules, rules.least.value)
    if (refused) return [{ kind: 'refused', surface, why: refused.why ?? refused.outcome }]
    const { width, height } = image
    if (width === null || height === null) return [{ kind: 'refused', surface, why: 'its size is not known' }]
    const layout = layoutFor({ width, height }, surface, rules, kind)
    if (layout !== 'wide' && layout !== 'natural' && layout !== 'thumbnail')
      return [{ kind: 'refused', surface, why: `not shown on a card of the kind ${kind}` }]
    return [
      { kind: 'kept', surface, layout, crop: cropToRatio(width, height, shownRatio({ width, height }, layout, rules)) },
    ]
  })
}

/** The card's picture, where it came from, how it is cropped, and the layout that follows from it. */
export function resolvePicture(
  page: GatheredPage,
  facts: PageFacts,
  surface: Surface,
  kind: CardKind | null,
  context: CardContext,
): { part: PicturePart; layout: Layout } {
  const rules = surface.picture
  const nothing: PicturePart = { url: null, from: null, line: null, column: null, crop: null, ladder: [] }
  if (!rules) return { part: nothing, layout: 'text' }
  const { taken, ladder } = climb(
    imageCandidates(facts, rules.from),
    surface.readsBytes?.value ?? null,
    judgeFor(page, rules, context),
  )
  const url = taken && publicImageUrl(page, taken.value ?? '', context)
  const isPlayer = surface.layoutBy === 'card-kind' && kind === 'player'
  if (!taken || !url) return { part: { ...nothing, ladder }, layout: isPlayer ? 'wide' : 'text' }
  const size = sizeOf(url, taken, facts, context)
  const layout = layoutFor(size, surface, rules, kind)
  const crop = size === null ? null : cropToRatio(size.width, size.height, shownRatio(size, layout, rules))
  const { from, line, column } = taken
  // An app card shows its icon beside the text; its layout has no picture of its own.
  if (layout === 'text') return { part: { ...nothing, ladder }, layout }
  const unseen = isLookedAt(context.images.get(url)) ? {} : { unseen: true as const }
  return { part: { url, from, line, column, crop, ...unseen, ladder }, layout }
}
