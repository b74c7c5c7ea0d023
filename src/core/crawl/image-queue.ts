import { type AddressMap, limits, originOf, pathOf, strayUrl } from '../address'
import { isWholePicture, lookAsText, readImageHeader } from '../image'
import type { GatheredImage, GatheredPage, ImageFormat, Incomplete, RunNote, Validators } from '../model'
import { likelyContentImages, mostUsed, picturesNamed, publicImageUrl } from '../surface'
import { plural } from '../text'
import { DecodeBudget } from './decode-budget'
import { type Earlier, isUnchanged, takenPicture, validatorsOf } from './earlier'
import type { CrawlEvent } from './events'
import type { PictureHosts } from './picture-hosts'
import { type CrawlEnvironment, type FetchResult, type ReadRequest, readFollowing } from './read-address'

/** May a picture of so many pixels and bytes be decoded? */
export type MayDecode = (pixels: number, bytes: number) => boolean

/** Reads one picture by its public address and describes it. */
export type LookAtImage = (url: string, mayDecode: MayDecode) => Promise<GatheredImage>

type Role = 'share' | 'icon'

/** Which pictures a run has to read, each once, and what came of it. */
export class ImageQueue {
  private readonly waiting: string[] = []
  private readonly roles = new Map<string, Role>()
  private readonly read = new Map<string, GatheredImage>()
  /** Pages whose content might have to give a picture: addresses only, so that a long run holds no page. */
  private readonly firstDeclared: string[][] = []
  private readonly contentOf: { page: string; declared: string[]; content: string[] }[] = []
  /** The page that named a picture first: it is decoded at that page's cost. */
  private readonly namedBy = new Map<string, string>()
  private readonly budget = new DecodeBudget()
  /** Images whose hosts can't be found from here. */
  private readonly unreachable: GatheredImage[] = []
  private leftOut = 0
  private isResting = false

  /**
   * @param hosts how fast pictures elsewhere are asked for
   * @param isPart of a run: what takes all of it to say is left to the whole
   */
  constructor(
    readonly addresses: AddressMap,
    private readonly look: LookAtImage,
    private readonly hosts: PictureHosts,
    private readonly sleep: CrawlEnvironment['sleep'],
    private readonly isPart = false,
  ) {}

  private need(url: string | null, role: Role, page: string): void {
    if (url === null) return
    const known = this.roles.get(url)
    if (known === undefined) {
      if (this.roles.size >= limits.picturesOfRun) {
        this.leftOut++
        return
      }
      this.waiting.push(url)
      this.namedBy.set(url, page)
    }
    if (known !== 'share') this.roles.set(url, role)
  }

  /** Notes the pictures that a page's tags name. @returns those that are looked at for it */
  addDeclared(page: GatheredPage): string[] {
    if (!page.facts) return []
    const { share, icons } = picturesNamed({ ...page, facts: page.facts }, this)
    // What is named beyond that is a finding of the page's, and not asked for.
    const declared = share.slice(0, limits.picturesOfPage)
    for (const url of declared) this.need(url, 'share', page.url)
    const room = limits.picturesOfPage - declared.length
    for (const url of icons.slice(0, room)) this.need(url, 'icon', page.url)
    this.firstDeclared.push(declared)
    if (room > 0) {
      const likely = likelyContentImages(page.facts).slice(0, room)
      const content = likely.flatMap((image) => publicImageUrl(page, image.src, this) ?? [])
      if (content.length > 0) this.contentOf.push({ page: page.url, declared, content })
    }
    const wellKnown = `${originOf(page.url)}/favicon.ico`
    const hasWellKnown = this.addresses.isOnSite(wellKnown)
    if (hasWellKnown) this.need(wellKnown, 'icon', page.url)
    return [...declared, ...icons.slice(0, room), ...(hasWellKnown ? [wellKnown] : [])]
  }

  /**
   * Notes the first pictures of the content where none that the page declares can be used.
   *
   * @param isPart of a run: which picture most pages share is not known, so that any page may need its own
   */
  addContentWhereNeeded(isPart = false): void {
    // A page that shares the site's default picture may have a better one of its own.
    const shared = mostUsed(this.firstDeclared)
    for (const { page, declared, content } of this.contentOf) {
      if (!isPart && declared[0] !== shared && declared.some((url) => this.read.get(url)?.errorCode === null)) continue
      for (const url of content) this.need(url, 'share', page)
    }
    this.contentOf.length = 0
  }

  /** Starts reading the next picture that may be asked for now; null when none waits, or all wait for one that rests. */
  next(): Promise<GatheredImage> | null {
    const ready = this.waiting.findIndex((url, index) => index >= LOOK_AHEAD || this.hosts.readyInMs(url) === 0)
    if (ready >= 0 && ready < LOOK_AHEAD) return this.readImage(this.waiting.splice(ready, 1)[0]!)
    // All wait for their hosts: one place is enough to wait in, and others go on with pages.
    const url = this.waiting[0]
    if (url === undefined || this.isResting) return null
    this.waiting.shift()
    this.isResting = true
    return this.sleep(this.hosts.readyInMs(url)).then(() => {
      this.isResting = false
      return this.readImage(url)
    })
  }

  private readonly mayDecode =
    (url: string): MayDecode =>
    (pixels, bytes) =>
      this.budget.take(this.namedBy.get(url) ?? '', pixels, bytes)

  private async readImage(url: string): Promise<GatheredImage> {
    const found = await this.lookWithin(url, await this.look(url, this.mayDecode(url)))
    // Of a part it is said when all parts are there.
    const image = this.isPart ? found : asSeenFromHere(found, this.addresses)
    if (image !== found) this.unreachable.push(image)
    const withRole = { ...image, iconOnly: this.roles.get(url) === 'icon' }
    this.read.set(url, withRole)
    return withRole
  }

  /**
   * A picture that is named outside of the site's path may lie within it: the address was written without the path, or
   * behind a part that had no value, or on a preview host.
   */
  private async lookWithin(url: string, image: GatheredImage): Promise<GatheredImage> {
    const inside = this.placeWithin(url, image)
    if (inside === null || !this.addresses.isOnSite(inside)) return image
    const found = await this.look(inside, this.mayDecode(url))
    return found.errorCode === null ? { ...image, foundAt: inside } : image
  }

  private placeWithin(url: string, { errorCode }: GatheredImage): string | null {
    if (errorCode === 'not-in-build') return new URL(pathOf(url).slice(1), this.addresses.site).href
    return errorCode === null ? null : (strayUrl(url, url, this.addresses.site)?.whole ?? null)
  }

  /** Hosts that are asked slowly, as an event, where there are new ones. */
  slowed(): Extract<CrawlEvent, { kind: 'slowed' }>[] {
    const hosts = this.hosts.slowed()
    return hosts.length > 0 ? [{ kind: 'slowed', hosts }] : []
  }

  /** What is said of images that were not seen, or not decoded. */
  *notes(): Generator<RunNote> {
    const note = unreachableNote(this.unreachable)
    if (note) yield note
    const message = this.budget.words()
    if (message !== null) yield { kind: 'bounded', message }
  }

  /** Why pictures were not looked at, where there is nothing on their own page that says so. */
  *incompleteness(): Generator<Incomplete> {
    const turnedAway = this.hosts.words()
    if (turnedAway !== null) yield { why: 'bytes', message: turnedAway }
    if (this.leftOut > 0) {
      const message = `${this.leftOut} pictures were not looked at: one run looks at ${limits.picturesOfRun} at most.`
      yield { why: 'bytes', message }
    }
  }

  /** Images of the site's own server that it did not answer for: when it was lost, that says nothing of them. */
  markLost(): GatheredImage[] {
    const lost = [...this.read.values()].filter(
      ({ url, errorCode }) => this.addresses.isOnSite(url) && (errorCode === 'refused' || errorCode === 'reset'),
    )
    return lost.map((image) => {
      const error = 'Its server was lost before the image could be read.'
      const marked = { ...image, errorCode: 'not-looked-at' as const, error }
      this.read.set(image.url, marked)
      return marked
    })
  }
}

/** An image whose host can't be found from here, as one that was not looked at: that says nothing of the image. */
function asSeenFromHere(image: GatheredImage, addresses: Pick<AddressMap, 'isOnSite'>): GatheredImage {
  if (image.errorCode !== 'host-not-found' || addresses.isOnSite(image.url)) return image
  const error = `${new URL(image.url).host} can’t be found from here: no network, or no such host.`
  return { ...image, errorCode: 'not-looked-at', error }
}

/** What is said of hosts that can't be found from here, each with its images; null where there is none. */
function unreachableNote(images: Iterable<GatheredImage>): RunNote | null {
  const counts = new Map<string, number>()
  for (const { url } of images) {
    const { host } = new URL(url)
    counts.set(host, (counts.get(host) ?? 0) + 1)
  }
  if (counts.size === 0) return null
  const hosts = [...counts].map(([host, count]) => `${plural(count, 'image')} on ${host}`).sort()
  const more = hosts.length > HOSTS_TOLD ? ` and ${plural(hosts.length - HOSTS_TOLD, 'more host')}` : ''
  const message = `Not checked: ${hosts.slice(0, HOSTS_TOLD).join(', ')}${more} (no network, or no such host).`
  return { kind: 'offline', message }
}

/** Images of all parts of a run as they are seen from here, and what is to be said of them. */
export function seenFromHere(
  images: readonly GatheredImage[],
  addresses: Pick<AddressMap, 'isOnSite'>,
): { images: GatheredImage[]; note: RunNote | null } {
  const seen = images.map((image) => asSeenFromHere(image, addresses))
  return { images: seen, note: unreachableNote(seen.filter((image, index) => image !== images[index])) }
}

/** Hosts that are named of those that can't be found. */
const HOSTS_TOLD = 5

/** Waiting pictures that are looked through for one that may be asked for now. */
const LOOK_AHEAD = 200

/** Reads pictures no faster than their hosts may be asked, at every hop of a redirect. */
export function readAsHostsMay(
  read: (request: ReadRequest) => Promise<FetchResult>,
  hosts: PictureHosts,
  sleep: CrawlEnvironment['sleep'],
): (request: ReadRequest) => Promise<FetchResult> {
  const readPicture = async (request: ReadRequest): Promise<FetchResult> => {
    const waitMs = hosts.take(request.url)
    if (waitMs === null) return { kind: 'failed', code: 'not-looked-at', message: TURNED_AWAY, ms: 0 }
    if (waitMs > 0) await sleep(waitMs)
    return read(request)
  }
  // Pages are asked for where the user named them, or where they lie on the site.
  return (request) => (request.accept === 'image' ? readPicture(request) : read(request))
}

/** The same where something else does the reading: then only the address itself is held back. */
export function lookAsHostsMay(look: LookAtImage, hosts: PictureHosts, sleep: CrawlEnvironment['sleep']): LookAtImage {
  return async (url, mayDecode) => {
    const waitMs = hosts.take(url)
    if (waitMs === null) return { ...unknown(url), errorCode: 'not-looked-at', error: TURNED_AWAY }
    if (waitMs > 0) await sleep(waitMs)
    return look(url, mayDecode)
  }
}

/** What only decoding a picture tells of it, and what was wrong with its bytes. */
function seenIn({ alpha, look, colors, error, errorCode }: GatheredImage): Partial<GatheredImage> {
  return { alpha, error, errorCode, ...(colors ? { colors } : {}), ...(look === undefined ? {} : { look }) }
}

const TURNED_AWAY = 'Not looked at: its host is not the site’s, and was asked as often as one run may.'

/** Looks at pictures by reading them, redirects followed. */
export function lookByReading(
  readPublic: (request: ReadRequest) => Promise<FetchResult>,
  outside: Pick<CrawlEnvironment, 'digest' | 'decode' | 'pictures' | 'earlier'>,
): LookAtImage {
  const read = async (url: string, maxBytes: number, firstBytesOnly = false, ifChanged?: Validators) =>
    (
      await readFollowing(url, (at) =>
        readPublic({ url: at, accept: 'image', maxBytes, firstBytesOnly, ...(ifChanged && { ifChanged }) }),
      )
    ).exchange
  if (outside.pictures !== 'header')
    return async (url, mayDecode) => {
      const known = takenPicture(outside.earlier?.picture(url))
      const exchange = await read(url, limits.imageBytes, false, known?.validators)
      if (!known || !isUnchanged(exchange)) return describeImage(url, exchange, { ...outside, mayDecode, walks: true })
      outside.earlier?.onTaken?.('picture')
      return { ...known, iconOnly: false }
    }
  const sizeOnly = { digest: async () => null }
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

export const unknown = (url: string): GatheredImage => ({
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
function weightOf(exchange: Extract<FetchResult, { kind: 'answered' }>): number | null {
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
  exchange: FetchResult,
  outside: {
    digest: (bytes: Uint8Array) => Promise<string | null>
    decode?: CrawlEnvironment['decode'] | undefined
    /** Absent: whatever its size. */
    mayDecode?: MayDecode
    /** The whole of the picture was asked for: it can be said whether it is there to its end. */
    walks?: boolean
    earlier?: Earlier | undefined
  },
): Promise<GatheredImage> {
  if (exchange.kind === 'failed') return { ...unknown(url), errorCode: exchange.code, error: exchange.message }
  const contentType = exchange.headers['content-type'] ?? null
  const status = exchange.status === 206 ? 200 : exchange.status
  const validators = validatorsOf(exchange.headers)
  const answered = { ...unknown(url), status, contentType, ...(validators && { validators }) }
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
  const same = hash === null ? null : takenPicture(outside.earlier?.pictureWith(hash))
  // The same bytes say the same: what they look like was found out then.
  if (same) {
    outside.earlier?.onTaken?.('picture')
    return { ...answered, bytes, hash, format, width, height, animated, ...seenIn(same) }
  }
  const isRead = !exchange.isCut && exchange.status !== 206
  const sized = { ...answered, bytes, hash, format, width, height, animated }
  const damaged = (why: string) => ({ ...sized, errorCode: 'damaged' as const, error: `The ${format} ${why}.` })
  if (isRead && outside.walks && !isWholePicture(exchange.body, format))
    return damaged('is cut off: it ends before its picture does')
  // A drawing is a document, which is not rendered only to look at it.
  const isDecoded =
    outside.decode !== undefined &&
    !exchange.isCut &&
    format !== 'svg' &&
    (outside.mayDecode?.((width ?? 0) * (height ?? 0), exchange.body.length) ?? true)
  const { alpha, look } = isDecoded
    ? await outside.decode!(exchange.body, { alpha: mayBeTransparent, look: true })
    : { alpha: null, look: null }
  if (look === 'broken' && DECODED.has(format)) return damaged('can’t be decoded')
  return {
    ...sized,
    alpha: mayBeTransparent ? alpha : false,
    ...(colors ? { colors } : {}),
    look: look === 'broken' ? null : look && lookAsText(look),
  }
}
