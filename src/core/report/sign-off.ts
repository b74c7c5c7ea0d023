import type { ReadDocument, SignOffFile } from '../document'
import type { TakenOn } from '../model'
import type { Requirements } from '../requirements'
import { waiverWords } from './paper'

/** What of a document is signed. Both kinds have it: one just made, and one that was read. */
export type SignedDocument = Pick<ReadDocument, 'source' | 'pages' | 'images' | 'findings'> & {
  waived?: readonly { rule: string; waiver: TakenOn; pages: string[] }[] | undefined
}

/** `sha256:` and hex of some bytes. */
export type Digest = (bytes: Uint8Array<ArrayBuffer>) => Promise<string>

const encode = (value: unknown) => new TextEncoder().encode(JSON.stringify(value)) as Uint8Array<ArrayBuffer>

/** An address by what follows the site's own: staging and production say the same then. */
const onSite = (address: string | null, site: string) =>
  address?.startsWith(site) ? `{site}${address.slice(site.length)}` : address

/** What a card shows, and nothing of how it came about: lines and ladders may differ. */
function shownBy(
  card: ReadDocument['pages'][number]['cards'][string],
  site: string,
  hashes: ReadonlyMap<string, string>,
) {
  const { layout, title, description, image, siteLine, byline, labels, ladders } = card
  // Nothing but the address stands there, and that is the page's own.
  if (layout === 'bare' || layout === 'not-listed') return [layout]
  // Where the host stands, staging and production are two, and show the same card; a name that looks like one is a name.
  const isHost = ladders?.siteLine?.find(({ outcome }) => outcome === 'taken')?.from !== 'og:site_name'
  const said = (text: string) => text.replaceAll(site, '{site}')
  return [
    layout,
    said(title.shown),
    title.cut,
    said(description.shown),
    description.cut,
    onSite(image.url, site),
    // A picture that is another under the same address is another card.
    image.url === null ? null : (hashes.get(image.url) ?? null),
    image.crop ? [image.crop.x, image.crop.y, image.crop.width, image.crop.height] : null,
    isHost ? siteLine?.replaceAll(new URL(site).host, '{host}') : siteLine,
    byline,
    labels.map(({ label, data }) => [label, data]),
  ]
}

/** Hash of what each page's cards show on these places, by the page's path. */
async function pagesOf(
  { source: { site }, pages, images }: SignedDocument,
  surfaces: readonly string[] | null,
  digest: Digest,
): Promise<Record<string, string>> {
  const hashes = new Map(images.flatMap(({ url, hash }) => (hash === null ? [] : [[url, hash] as const])))
  const made: [string, string][] = []
  for (const { url, cards } of pages) {
    const ids = (surfaces ?? Object.keys(cards)).filter((id) => cards[id] !== undefined).sort()
    const shown = ids.map((id) => [id, shownBy(cards[id]!, site, hashes)])
    made.push([onSite(url, site)!.replace('{site}', '/'), (await digest(encode(shown))).slice('sha256:'.length, 23)])
  }
  return Object.fromEntries(made.sort(([a], [b]) => (a < b ? -1 : 1)))
}

function waiversOf({ pages, waived = [], source: { site } }: SignedDocument): string[] {
  const place = (url: string) => onSite(url, site)!.replace('{site}', '/')
  const ofPages = pages.flatMap((page) =>
    (page.waived ?? []).map(({ rule, waiver }) => `${rule} on ${place(page.url)}, ${waiverWords(waiver)}`),
  )
  const ofSite = waived.map(
    ({ rule, waiver, pages: urls }) => `${rule} on ${urls.map(place).join(', ')}, ${waiverWords(waiver)}`,
  )
  return [...new Set([...ofPages, ...ofSite])].sort()
}

/** What must hold, whatever is waived and wherever it is written. */
async function requirementsHash(requirements: Requirements, digest: Digest): Promise<string | null> {
  const {
    $schema: _schema,
    format: _format,
    version: _version,
    waivers: _waivers,
    answers: _answers,
    source: _source,
    ...rest
  } = requirements
  const keys = Object.keys(rest).sort() as (keyof typeof rest)[]
  if (keys.length === 0) return null
  return (await digest(encode(keys.map((key) => [key, rest[key]])))).slice('sha256:'.length, 23)
}

/** What somebody says with a yes, and of what the yes is. */
export type Signing = {
  by: string
  at: string
  reason?: string | undefined
  surfaces: readonly string[]
  errors: number
  notLookedAt: readonly string[]
}

/** A yes to what the cards of a document show, what was waived in it, and what was required. */
export async function signOffOf(
  document: SignedDocument,
  requirements: Requirements,
  { by, at, reason, surfaces, errors, notLookedAt }: Signing,
  digest: Digest,
): Promise<SignOffFile> {
  const pages = await pagesOf(document, surfaces, digest)
  const waivers = waiversOf(document)
  const required = await requirementsHash(requirements, digest)
  return {
    format: 'nimble-parrot-sign-off',
    version: 1,
    by,
    at,
    site: document.source.site,
    content: await digest(encode([pages, waivers, required])),
    surfaces: [...surfaces],
    errors,
    ...(reason === undefined ? {} : { reason }),
    notLookedAt: [...notLookedAt],
    pages,
    waivers,
    requirements: required,
  }
}

/** A page that no place has a card of says nothing: its hash is that of an empty list. */
const NO_CARDS: readonly string[] = []

/** Why a sign-off can't be believed by itself: it is not whole, or its digests are not those of its content. null: nothing. */
export async function faultOfSignOff(signOff: SignOffFile, digest: Digest): Promise<string | null> {
  const { surfaces, pages, waivers, requirements, content } = signOff
  const hashes = Object.values(pages)
  if (surfaces.length === 0) return 'It names no place: nothing was signed.'
  if (hashes.length === 0) return 'It names no page: nothing was signed.'
  const nothing = (await digest(encode(NO_CARDS))).slice('sha256:'.length, 23)
  if (hashes.some((hash) => hash === nothing || !/^[0-9a-f]{16}$/.test(hash)))
    return 'It has pages without cards: no sign-off has.'
  const sorted = Object.fromEntries(Object.entries(pages).sort(([a], [b]) => (a < b ? -1 : 1)))
  if ((await digest(encode([sorted, waivers, requirements]))) !== content)
    return 'It was changed after it was signed: its digest does not match. Sign again.'
  return null
}

/** In what a document differs from what was signed; nothing where it is that very content. */
export type SignOffDifference = {
  /** Paths of pages whose cards show something else. */
  changed: string[]
  added: string[]
  removed: string[]
  waiversAdded: string[]
  waiversRemoved: string[]
  hasOtherRequirements: boolean
}

export async function differenceFromSignOff(
  document: SignedDocument,
  requirements: Requirements | null,
  signOff: Pick<SignOffFile, 'surfaces' | 'pages' | 'waivers' | 'requirements'>,
  digest: Digest,
): Promise<SignOffDifference> {
  const pages = await pagesOf(document, signOff.surfaces, digest)
  const waivers = waiversOf(document)
  const has = (of: Record<string, string>, path: string) => Object.hasOwn(of, path)
  const paths = Object.keys(pages)
  return {
    changed: paths.filter((path) => has(signOff.pages, path) && signOff.pages[path] !== pages[path]),
    added: paths.filter((path) => !has(signOff.pages, path)),
    removed: Object.keys(signOff.pages).filter((path) => !has(pages, path)),
    waiversAdded: waivers.filter((one) => !signOff.waivers.includes(one)),
    waiversRemoved: signOff.waivers.filter((one) => !waivers.includes(one)),
    hasOtherRequirements:
      requirements !== null && (await requirementsHash(requirements, digest)) !== signOff.requirements,
  }
}

/** Paths named before the rest is counted. */
const NAMED = 5

const listed = (paths: readonly string[]) =>
  paths.length > NAMED ? `${paths.slice(0, NAMED).join(', ')} and ${paths.length - NAMED} more` : paths.join(', ')

/** The difference in sentences; none where there is none. */
export function signOffDifferences({
  changed,
  added,
  removed,
  waiversAdded,
  waiversRemoved,
  hasOtherRequirements,
}: SignOffDifference): string[] {
  const said = (paths: readonly string[], words: string) => (paths.length === 0 ? [] : [`${words}: ${listed(paths)}.`])
  return [
    ...said(
      changed,
      changed.length === 1
        ? 'Another card than was signed'
        : `${changed.length} pages have other cards than were signed`,
    ),
    ...said(added, 'Not there when it was signed'),
    ...said(removed, 'Signed, and not there any more'),
    ...said(waiversAdded, 'Waived since'),
    ...said(waiversRemoved, 'Not waived any more'),
    ...(hasOtherRequirements ? ['The requirements are not those that were signed.'] : []),
  ]
}
