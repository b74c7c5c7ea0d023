import { mostUsed } from '../check/default-picture'
import { lookAsText } from '../image/likeness'
import { isWholePicture, readImageHeader } from '../image/read-header'
import type { GatheredImage, GatheredPage, ImageFormat, RunNote } from '../model'
import { likelyContentImages, metasOf, ogImages } from '../surface/candidates'
import { publicImageUrl } from '../surface/picture'
import { originOf, pathOf } from './address'
import type { AddressMap } from './address-map'
import { limits } from './limits'
import { type Exchange, type Outside, type ReadRequest, readFollowing } from './read-address'

/** Reads one picture by its public address and describes it. */
export type LookAtImage = (url: string) => Promise<GatheredImage>

type Role = 'share' | 'icon'

/** Which pictures a run has to read, each once, and what came of it. */
export class PictureDesk {
  private readonly waiting: string[] = []
  private readonly roles = new Map<string, Role>()
  private readonly read = new Map<string, GatheredImage>()
  /** Pages whose content might have to give a picture: addresses only, so that a long run holds no page. */
  private readonly firstDeclared: string[][] = []
  private readonly contentOf: { declared: string[]; content: string[] }[] = []

  constructor(
    readonly addresses: AddressMap,
    private readonly look: LookAtImage,
  ) {}

  get hasWaiting(): boolean {
    return this.waiting.length > 0
  }

  get images(): Iterable<GatheredImage> {
    return this.read.values()
  }

  private need(url: string | null, role: Role): void {
    if (url === null) return
    const known = this.roles.get(url)
    if (known === undefined) this.waiting.push(url)
    if (known !== 'share') this.roles.set(url, role)
  }

  /** Notes the pictures that a page's tags name. */
  addDeclared(page: GatheredPage): void {
    if (!page.facts) return
    const declared = this.declaredBy(page)
    for (const url of declared) this.need(url, 'share')
    const content = likelyContentImages(page.facts).flatMap((image) => publicImageUrl(page, image.src, this) ?? [])
    this.firstDeclared.push(declared)
    if (content.length > 0) this.contentOf.push({ declared, content })
    for (const link of page.facts.links) {
      if (/(?:^|\s)(?:icon|apple-touch-icon\S*)(?:\s|$)/.test(link.rel))
        this.need(publicImageUrl(page, link.href, this), 'icon')
    }
    const wellKnown = `${originOf(page.url)}/favicon.ico`
    if (this.addresses.isOnSite(wellKnown)) this.need(wellKnown, 'icon')
  }

  private declaredBy(page: GatheredPage): string[] {
    const facts = page.facts!
    const metas = [
      ...ogImages(facts).flatMap(({ forms }) => forms),
      ...metasOf(facts, 'twitter:image'),
      ...metasOf(facts, 'twitter:image:src'),
    ]
    return metas.flatMap(({ value }) => publicImageUrl(page, value ?? '', this) ?? [])
  }

  /** Notes the first pictures of the content where none that the page declares can be used. */
  addContentWhereNeeded(): void {
    // A page that shares the site's default picture may have a better one of its own.
    const shared = mostUsed(this.firstDeclared)
    for (const { declared, content } of this.contentOf) {
      if (declared[0] !== shared && declared.some((url) => this.read.get(url)?.errorCode === null)) continue
      for (const url of content) this.need(url, 'share')
    }
    this.contentOf.length = 0
  }

  /** Starts reading the next picture; null when none waits. */
  next(): Promise<GatheredImage> | null {
    const url = this.waiting.shift()
    return url === undefined ? null : this.readImage(url)
  }

  private async readImage(url: string): Promise<GatheredImage> {
    const image = await this.lookWithin(url, await this.look(url))
    const withRole = { ...image, iconOnly: this.roles.get(url) === 'icon' }
    this.read.set(url, withRole)
    return withRole
  }

  /** A picture that is named outside of the site's path may lie within it: the address was written without the path. */
  private async lookWithin(url: string, image: GatheredImage): Promise<GatheredImage> {
    if (image.errorCode !== 'not-in-build') return image
    const inside = new URL(pathOf(url).slice(1), this.addresses.site).href
    const found = await this.look(inside)
    return found.errorCode === null ? { ...image, foundAt: inside } : image
  }

  /** Pictures of hosts that could not be looked up: when that holds for every outside host, the run is offline. */
  markOffline(): GatheredImage[] {
    const outside = [...this.read.values()].filter(({ url }) => !this.addresses.isOnSite(url))
    const isOffline = outside.length > 0 && outside.every(({ errorCode }) => errorCode === 'host-not-found')
    if (!isOffline) return []
    return outside.map((image) => {
      const marked = {
        ...image,
        errorCode: 'not-looked-at' as const,
        error: 'Not looked at: no outside host could be reached.',
      }
      this.read.set(image.url, marked)
      return marked
    })
  }
}

/** Looks at pictures by reading them, redirects followed. */
export function lookByReading(
  readPublic: (request: ReadRequest) => Promise<Exchange>,
  outside: Pick<Outside, 'digest' | 'hasTransparency' | 'pictures' | 'look'>,
): LookAtImage {
  const read = async (url: string, maxBytes: number, firstBytesOnly = false) =>
    (await readFollowing(url, (at) => readPublic({ url: at, accept: 'image', maxBytes, firstBytesOnly }))).exchange
  if (outside.pictures !== 'header')
    return async (url) => describeImage(url, await read(url, limits.imageBytes), { ...outside, walks: true })
  const sizeOnly = { digest: async () => null, hasTransparency: async () => null }
  return async (url) => {
    for (const bytes of limits.imageStartBytes) {
      const exchange = await read(url, bytes, true)
      // 416: the file is empty. What was sent whole says all there is to be said.
      if (exchange.kind === 'answered' && exchange.status === 416) break
      const image = await describeImage(url, exchange, sizeOnly)
      // A drawing may begin with a long comment; what is no picture after the second look is none.
      const isShort =
        image.errorCode === 'damaged' || (image.errorCode === 'not-image' && bytes === limits.imageStartBytes[0])
      if (!isShort || exchange.kind === 'failed' || image.bytes === exchange.body.length)
        return { ...image, alpha: null }
    }
    return { ...(await describeImage(url, await read(url, limits.imageBytes), sizeOnly)), alpha: null }
  }
}

/** Formats that every decoder here reads: one that can't is given a broken file. */
const DECODED: ReadonlySet<ImageFormat> = new Set(['jpeg', 'png', 'gif', 'webp'])

const unknown = (url: string): GatheredImage => ({
  url,
  status: null,
  format: null,
  width: null,
  height: null,
  bytes: null,
  alpha: null,
  animated: false,
  hash: null,
  contentType: null,
  error: null,
  errorCode: null,
  iconOnly: false,
})

/** Bytes of the whole file: of a body that was cut off, or of a part, as the server says. */
function weightOf(exchange: Extract<Exchange, { kind: 'answered' }>): number | null {
  if (exchange.status === 206) {
    const whole = Number(/\/(\d+)$/.exec(exchange.headers['content-range'] ?? '')?.[1])
    return whole > 0 ? whole : null
  }
  if (!exchange.isCut) return exchange.body.length
  const said = Number(exchange.headers['content-length'])
  return said > 0 && !exchange.headers['content-encoding'] ? said : null
}

/** What an answer says of a picture. Format and size come from the bytes, never from the name or the header. */
export async function describeImage(
  url: string,
  exchange: Exchange,
  outside: {
    digest: (bytes: Uint8Array) => Promise<string | null>
    hasTransparency: Outside['hasTransparency']
    look?: Outside['look']
    /** The whole of the picture was asked for: it can be said whether it is there to its end. */
    walks?: boolean
  },
): Promise<GatheredImage> {
  if (exchange.kind === 'failed') return { ...unknown(url), errorCode: exchange.code, error: exchange.message }
  const contentType = exchange.headers['content-type'] ?? null
  const status = exchange.status === 206 ? 200 : exchange.status
  const answered = { ...unknown(url), status, contentType }
  if (status !== 200) return { ...answered, errorCode: 'status', error: `It answered ${status}.` }
  const bytes = weightOf(exchange)
  const reading = readImageHeader(exchange.body)
  if (reading.kind === 'empty') return { ...answered, bytes, errorCode: 'empty', error: 'The file is empty.' }
  if (reading.kind === 'not-image') {
    const said = contentType ? ` It was served as ${contentType}.` : ''
    return { ...answered, bytes, errorCode: 'not-image', error: `The bytes are no picture.${said}` }
  }
  const hash = exchange.isCut ? null : await outside.digest(exchange.body)
  if (reading.kind === 'damaged') {
    const { format } = reading
    return { ...answered, bytes, hash, format, errorCode: 'damaged', error: `The ${format} is cut short or broken.` }
  }
  const { format, width, height, animated, mayBeTransparent, colors } = reading
  const isRead = !exchange.isCut && exchange.status !== 206
  const sized = { ...answered, bytes, hash, format, width, height, animated }
  const damaged = (why: string) => ({ ...sized, errorCode: 'damaged' as const, error: `The ${format} ${why}.` })
  if (isRead && outside.walks && !isWholePicture(exchange.body, format))
    return damaged('is cut off: it ends before its picture does')
  const alpha = !mayBeTransparent ? false : exchange.isCut ? null : await outside.hasTransparency(exchange.body)
  // A drawing is a document, which is not rendered only to compare it.
  const isLookedAt = !exchange.isCut && format !== 'svg'
  const look = isLookedAt ? ((await outside.look?.(exchange.body)) ?? null) : null
  if (look === 'broken' && DECODED.has(format)) return damaged('can’t be decoded')
  return {
    ...sized,
    alpha,
    ...(colors ? { colors } : {}),
    look: look === 'broken' ? null : look && lookAsText(look),
  }
}

/** What is said when no outside host could be looked up. */
export function offlineNote(pictures: number): RunNote {
  return {
    kind: 'offline',
    message: `No outside host could be reached: ${pictures} pictures elsewhere were not looked at.`,
  }
}
