import { z } from 'zod'
import { addTo } from '../group-by'
import type { RunDocument } from '../report/run-document'
import { surfaces } from '../surface/profiles'
import { type CardPart, cardChanges, type TagChange, tagChanges } from './page-changes'

type DocumentPage = RunDocument['pages'][number]

/** Why a place's held copy of a page is out of date. */
export type RefreshReason = 'text' | 'image' | 'layout' | 'removed' | 'picture-under-same-address'

export type ChangedPage = {
  url: string
  surfaces: string[]
  parts: CardPart[]
  tags: TagChange[]
  image?: { before: string | null; after: string | null; sameAddress: boolean; samePicture: boolean }
}

/** What changed from one run to another: the document of `compare`. */
export type Drift = {
  format: 'nimble-parrot-drift'
  version: 1
  added: string[]
  removed: string[]
  moved: { from: string; to: string }[]
  findings: { came: { rule: string; page: string }[]; went: { rule: string; page: string }[] }
  changed: ChangedPage[]
  refresh: Record<string, { url: string; reason: RefreshReason }[]>
}

/** As much of a run document as is checked: what a newer version adds is let through. */
const Readable = z.looseObject({
  format: z.literal('nimble-parrot-run'),
  version: z.literal(1),
  pages: z.array(
    z.looseObject({
      url: z.string(),
      cards: z.record(z.string(), z.looseObject({})),
      findings: z.array(z.looseObject({ rule: z.string() })),
    }),
  ),
  images: z.array(z.looseObject({ url: z.string(), hash: z.string().nullable() })),
  findings: z.array(z.looseObject({ rule: z.string(), pages: z.array(z.string()) })),
})

/** Reads a run document; null when the text is none. */
export function readRunDocument(text: string): RunDocument | null {
  try {
    const parsed = Readable.safeParse(JSON.parse(text))
    return parsed.success ? (parsed.data as unknown as RunDocument) : null
  } catch {
    return null
  }
}

const hashesOf = (document: RunDocument) => new Map(document.images.map(({ url, hash }) => [url, hash]))

/** What tells a page apart when its address changes: its own texts and picture. */
function signatureOf({ facts, cards }: DocumentPage): string | null {
  if (!facts) return null
  const { title, h1, firstParagraph } = facts
  return title ? JSON.stringify([title, h1, firstParagraph, cards['wide-feed']?.description.text ?? null]) : null
}

/** Removed pages that live on elsewhere: the new page answers for the old address, or is the only one that says the same. */
function movesBetween(removed: readonly DocumentPage[], added: readonly DocumentPage[]): Map<string, string> {
  const moves = new Map<string, string>()
  const led = new Map(
    added.flatMap((page) =>
      [...page.fetch.aliases, ...page.fetch.redirects.map(({ url }) => url)].map((from) => [from, page.url]),
    ),
  )
  const signatures = new Map<string, string[]>()
  for (const page of added) {
    const signature = signatureOf(page)
    if (signature) addTo(signatures, signature, page.url)
  }
  const taken = new Set<string>()
  for (const page of removed) {
    const alike = signatures.get(signatureOf(page) ?? '') ?? []
    const to = led.get(page.url) ?? (alike.length === 1 ? alike[0] : undefined)
    if (to === undefined || taken.has(to)) continue
    taken.add(to)
    moves.set(page.url, to)
  }
  return moves
}

type Hashes = ReadonlyMap<string, string | null>

/** The same address with other bytes: known only where both were read whole. */
function isOtherPicture(url: string, before: Hashes, after: Hashes): boolean {
  const [a, b] = [before.get(url) ?? null, after.get(url) ?? null]
  return a !== null && b !== null && a !== b
}

function changesOf(before: DocumentPage, after: DocumentPage, hashes: { before: Hashes; after: Hashes }) {
  const bySurface = new Map<string, CardPart[]>()
  let image: ChangedPage['image']
  for (const [surface, card] of Object.entries(after.cards)) {
    const old = before.cards[surface]
    if (!old) continue
    const parts = cardChanges(old, card)
    const [a, b] = [old.image.url, card.image.url]
    const isRepainted = a !== null && a === b && isOtherPicture(a, hashes.before, hashes.after)
    if (isRepainted) parts.push('image')
    if (parts.length > 0) bySurface.set(surface, parts)
    if (parts.includes('image') && !image) {
      const same =
        a !== null &&
        b !== null &&
        (hashes.before.get(a) ?? null) !== null &&
        hashes.before.get(a) === hashes.after.get(b)
      image = { before: a, after: b, sameAddress: a === b, samePicture: same }
    }
  }
  return { bySurface, image, tags: tagChanges(before.facts, after.facts) }
}

const findingKeys = (document: RunDocument): Map<string, { rule: string; page: string }> =>
  new Map(
    [
      ...document.pages.flatMap(({ url, findings }) => findings.map(({ rule }) => ({ rule, page: url }))),
      ...document.findings.flatMap(({ rule, pages }) => pages.map((page) => ({ rule, page }))),
    ].map((one) => [`${one.rule}\n${one.page}`, one]),
  )

/** The gravest reason for asking a place again. */
function reasonFor(parts: readonly CardPart[], image: ChangedPage['image']): RefreshReason {
  if (parts.includes('layout')) return 'layout'
  if (parts.some((part) => part !== 'image')) return 'text'
  return image?.sameAddress ? 'picture-under-same-address' : 'image'
}

/** Two runs against each other. Pages are matched by address, moved ones by what leads to them or what they say. */
export function driftBetween(before: RunDocument, after: RunDocument): Drift {
  const old = new Map(before.pages.map((page) => [page.url, page]))
  const now = new Map(after.pages.map((page) => [page.url, page]))
  const gone = before.pages.filter(({ url }) => !now.has(url))
  const fresh = after.pages.filter(({ url }) => !old.has(url))
  const moves = movesBetween(gone, fresh)
  const arrived = new Set(moves.values())
  const hashes = { before: hashesOf(before), after: hashesOf(after) }
  const changed: ChangedPage[] = []
  const holding = surfaces.filter((surface) => surface.holding !== null).map(({ id }) => id)
  const refresh: Drift['refresh'] = Object.fromEntries(holding.map((id) => [id, []]))
  for (const page of after.pages) {
    const earlier = old.get(page.url)
    if (!earlier) continue
    const { bySurface, image, tags } = changesOf(earlier, page, hashes)
    if (bySurface.size === 0 && tags.length === 0) continue
    changed.push({
      url: page.url,
      surfaces: [...bySurface.keys()],
      parts: [...new Set([...bySurface.values()].flat())],
      tags,
      ...(image ? { image } : {}),
    })
    for (const [surface, parts] of bySurface) refresh[surface]?.push({ url: page.url, reason: reasonFor(parts, image) })
  }
  for (const { url } of gone) for (const id of holding) refresh[id]!.push({ url, reason: 'removed' })
  const [was, is] = [findingKeys(before), findingKeys(after)]
  return {
    format: 'nimble-parrot-drift',
    version: 1,
    added: fresh.map(({ url }) => url).filter((url) => !arrived.has(url)),
    removed: gone.map(({ url }) => url).filter((url) => !moves.has(url)),
    moved: [...moves].map(([from, to]) => ({ from, to })),
    findings: {
      came: [...is].filter(([key]) => !was.has(key)).map(([, finding]) => finding),
      went: [...was].filter(([key]) => !is.has(key)).map(([, finding]) => finding),
    },
    changed,
    refresh: Object.fromEntries(Object.entries(refresh).filter(([, list]) => list.length > 0)),
  }
}

/** Did anything change that a card shows, or that pages come and go by? */
export const hasDrifted = ({ added, removed, moved, changed }: Drift): boolean =>
  added.length + removed.length + moved.length > 0 || changed.some((page) => page.surfaces.length > 0)
