import type { Comparison, RefreshReason } from './drift'
import { reasonFor } from './drift'
import {
  expiresAt,
  type HeldCopy,
  type HeldEvent,
  type HeldScope,
  type Holder,
  heldCopies,
  type Reading,
} from './held-copies'

/** How the run of today differs from an earlier one, and how addresses lead to pages in that one. */
export type SinceRun = { gone: ReadonlySet<string> } & Pick<Comparison, 'differences' | 'moves'>

/** An address whose copy at one place is out of date, or was until it was asked for again. */
export type RefreshEntry = {
  /** The exact address that the copy hangs on. */
  address: string
  /** The page that it leads to. */
  page: string
  reason: RefreshReason
  /** Where the page is now, when it was removed here and is there instead. */
  movedTo: string | null
  /** The reading that the place still shows in the part that is out of date. */
  held: Reading
  /** When the copy goes by itself (ISO 8601); null where it doesn't: a picture under the same address may stay for good. */
  expiresAt: string | null
  /** `open`: not asked for yet. `asked`: asked for, and not renewed yet. `done`: the place has read it again. */
  state: 'open' | 'asked' | 'done'
  /** When it was asked for last. */
  askedAt: string | null
}

export type RefreshList = {
  entries: RefreshEntry[]
  /** Copies that were out of date and have lapsed: the next one who posts the link sees the page as it is. */
  lapsed: number
  /** Copies of readings whose run is not kept any more: what they show is not known. */
  unknown: number
}

/** What the list is worked out from. */
export type RefreshInput = {
  events: readonly HeldEvent[]
  scope: HeldScope
  /** The run that is taken for what the site says now. */
  now: string
  /** The moment for which it is said, ISO 8601. */
  nowAt: string
  /**
   * Addresses of a run by which its pages can be shared: the page's own, and those that lead to it. Those of pages that
   * do not differ between any two runs may be left out: no copy of them is out of date.
   */
  addressesOf: (run: string) => readonly string[]
  /** Page that an address leads to. */
  pageForAddress: (address: string) => string
  /** How today's run differs from an earlier one; null where that is not known. */
  since: (run: string) => SinceRun | null
}

type Stale = Pick<RefreshEntry, 'reason' | 'movedTo' | 'held' | 'expiresAt'>

/** Why a copy is out of date; null when it is not, or it isn't known. */
function staleness(copy: HeldCopy, holder: Holder, page: string, { now, since }: RefreshInput): Stale | null {
  const { text, picture } = copy
  // A picture that is never fetched again under its address outlives the copy's text.
  const stale = (reason: RefreshReason, held: Reading): Stale => {
    const stays = reason === 'picture-under-same-address' && holder.holding.samePictureAddress.value === 'kept'
    const movedTo = reason === 'removed' ? (since(held.run)?.moves.get(page) ?? null) : null
    return { reason, movedTo, held, expiresAt: stays ? null : expiresAt(copy, holder) }
  }
  if (text.run !== now) {
    const known = since(text.run)
    if (known?.gone.has(page)) return stale('removed', text)
    const card = known?.differences.get(page)?.cards.get(holder.id)
    if (card) return stale(reasonFor(card), text)
  }
  if (picture.run === now || picture.run === text.run) return null
  const image = since(picture.run)?.differences.get(page)?.cards.get(holder.id)?.image
  // With another address it was asked for once, and the text alone came again.
  return image ? stale(image.sameAddress ? 'picture-under-same-address' : 'image', picture) : null
}

const ORDER: Record<RefreshReason, number> = {
  layout: 0,
  image: 1,
  'picture-under-same-address': 2,
  text: 3,
  removed: 4,
}

/**
 * The copies of one place that an edit has outdated: what to ask for again, and what was asked for. What was asked for
 * and renewed in this run stays on the list as done. The gravest come first.
 */
export function refreshList(input: RefreshInput, holder: Holder): RefreshList {
  const { events, scope, now, nowAt, addressesOf, pageForAddress, since } = input
  const isAsk = (event: HeldEvent) => event.kind === 'asked' && event.run === now
  const unasked = heldCopies(
    events.filter((event) => !isAsk(event)),
    holder,
    scope,
    addressesOf,
  )
  const asked = heldCopies(events, holder, scope, addressesOf)
  const lastAsk = new Map<string, string>()
  for (const event of events) {
    if (event.kind !== 'asked' || event.run !== now || event.surface !== holder.id) continue
    if ((lastAsk.get(event.address) ?? '') < event.at) lastAsk.set(event.address, event.at)
  }
  const list: RefreshList = { entries: [], lapsed: 0, unknown: 0 }
  for (const [address, copy] of unasked) {
    const page = pageForAddress(address)
    if (copy.text.run !== now && since(copy.text.run) === null) list.unknown++
    const before = staleness(copy, holder, page, input)
    if (!before) continue
    const after = staleness(asked.get(address) ?? copy, holder, page, input)
    const askedAt = lastAsk.get(address) ?? null
    const stale = after ?? before
    if (askedAt === null && stale.expiresAt !== null && stale.expiresAt < nowAt) list.lapsed++
    else list.entries.push({ address, page, ...stale, state: !after ? 'done' : askedAt ? 'asked' : 'open', askedAt })
  }
  list.entries.sort(
    (a, b) => ORDER[a.reason] - ORDER[b.reason] || (a.address < b.address ? -1 : a.address > b.address ? 1 : 0),
  )
  return list
}
