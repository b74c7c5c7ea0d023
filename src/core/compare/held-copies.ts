import type { CachePolicy, Surface } from '../surface'

/** A reading of the site: the run that shows what it said, and when the place read it (ISO 8601). */
export type Reading = { run: string; at: string }

/**
 * Something after which places may hold a copy, or another one.
 *
 * `launched`: the run went live, and anyone may have shared any of its pages. `shared`: somebody posted the address in
 * this place. `asked`: the place was asked to read the address again, and did (`renewed`) or has not yet.
 */
export type HeldEvent =
  | { kind: 'launched'; run: string; at: string }
  | { kind: 'shared'; surface: string; address: string; run: string; at: string }
  | { kind: 'asked'; surface: string; address: string; run: string; at: string; renewed: boolean }

/** A place that holds copies. */
export type Holder = Pick<Surface, 'id'> & { holding: CachePolicy }

/** What one place keeps of one address. Text and picture may be of different readings. */
export type HeldCopy = {
  address: string
  text: Reading
  picture: Reading
  /** When it was last asked for again in vain; null when it was not, or was renewed since. */
  askedAt: string | null
}

/**
 * What is taken as held: `all` pages from the launch on, since it is not known who shared what; or those alone that were
 * marked as `shared`.
 */
export type HeldScope = 'all' | 'shared'

const DAY_MS = 86_400_000

/** When a copy goes by itself: a link that is posted after that makes the place read the page again. */
export const expiresAt = ({ text }: HeldCopy, { holding }: Holder): string =>
  new Date(Date.parse(text.at) + holding.days.value * DAY_MS).toISOString()

/** The copy after the address was posted: a place reads it when it has no copy, or an old one. */
function afterPosting(copy: HeldCopy | undefined, address: string, reading: Reading, holder: Holder): HeldCopy {
  if (!copy) return { address, text: reading, picture: reading, askedAt: null }
  if (reading.at <= expiresAt(copy, holder)) return copy
  const keepsPicture = holder.holding.samePictureAddress.value === 'kept'
  return { ...copy, text: reading, picture: keepsPicture ? copy.picture : reading, askedAt: null }
}

/** The copy after the place was asked. Where asking renews the text alone, asking once more renews the picture too. */
function afterAsking(
  copy: HeldCopy | undefined,
  event: Extract<HeldEvent, { kind: 'asked' }>,
  { holding }: Holder,
): HeldCopy | null {
  const { address, run, at } = event
  const reading = { run, at }
  if (!event.renewed) return copy ? { ...copy, askedAt: at } : null
  const isText = holding.askingRenews.value === 'text' && copy !== undefined && copy.text.run !== run
  return { address, text: reading, picture: isText ? copy.picture : reading, askedAt: null }
}

/**
 * What a place holds after all that happened, by address.
 *
 * @param events in any order
 * @param addressesOf addresses of a run's pages, their variants among them; none where the run is not known any more
 */
export function heldCopies(
  events: readonly HeldEvent[],
  holder: Holder,
  scope: HeldScope,
  addressesOf: (run: string) => readonly string[],
): Map<string, HeldCopy> {
  const copies = new Map<string, HeldCopy>()
  for (const event of [...events].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))) {
    const { run, at } = event
    if (event.kind === 'launched') {
      if (scope === 'shared') continue
      for (const address of addressesOf(run))
        copies.set(address, afterPosting(copies.get(address), address, { run, at }, holder))
    } else if (event.surface !== holder.id) continue
    else if (event.kind === 'shared')
      copies.set(event.address, afterPosting(copies.get(event.address), event.address, { run, at }, holder))
    else {
      const copy = afterAsking(copies.get(event.address), event, holder)
      if (copy) copies.set(event.address, copy)
    }
  }
  return copies
}
