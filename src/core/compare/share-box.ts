import type { Holder } from './held-copies'

/**
 * A place in small, with a cache of its own: what happens to a link that is posted, edited, posted again and asked for
 * again. It knows two versions of the site and days; nothing of it touches a network.
 */

/** The site before the edit, and after it. */
export type Version = 'before' | 'after'

/** What a card shows. Both are of the same version unless the place has renewed but one of them. */
export type Shown = { text: Version; picture: Version }

/** A link that was posted: its card as it was then. `day` counts from the start. */
export type Post = { id: number; address: string; day: number; shown: Shown }

/** What was done, and what it did. */
type BoxNote = { day: number; text: string }

export type ShareBox = {
  day: number
  /** What the site says now. */
  live: Version
  copies: Readonly<Record<string, Shown & { day: number }>>
  posts: readonly Post[]
  notes: readonly BoxNote[]
}

/** What a cache trips over: the picture of an address has another content in the later version, and the address it had. */
export type IsRepainted = (address: string) => boolean

export const emptyBox: ShareBox = { day: 0, live: 'before', copies: {}, posts: [], notes: [] }

const days = (count: number) => (count === 1 ? '1 day' : `${count} days`)

const noted = (box: ShareBox, text: string): ShareBox => ({ ...box, notes: [...box.notes, { day: box.day, text }] })

/** Posts a link: the place shows what it holds, and reads the page when it holds nothing or something too old. */
export function post(box: ShareBox, address: string, { holding }: Holder, isRepainted: IsRepainted): ShareBox {
  const held = box.copies[address]
  const age = held ? box.day - held.day : 0
  const id = box.posts.length + 1
  const isFresh = held !== undefined && age <= holding.days.value
  const keepsPicture = held !== undefined && holding.samePictureAddress.value === 'kept' && isRepainted(address)
  const copy = isFresh ? held : { text: box.live, picture: keepsPicture ? held.picture : box.live, day: box.day }
  const shown: Shown = { text: copy.text, picture: copy.picture }
  const next = {
    ...box,
    copies: { ...box.copies, [address]: copy },
    posts: [...box.posts, { id, address, day: box.day, shown }],
  }
  if (!held) return noted(next, 'Posted. The place has no copy of this address: it reads the page.')
  if (!isFresh) {
    const picture = copy.picture === box.live ? '' : ' The picture has the address it had, so it is not fetched again.'
    return noted(next, `Posted. The copy is ${days(age)} old and is not used any more: it reads the page.${picture}`)
  }
  const isOld = copy.text !== box.live || copy.picture !== box.live
  return noted(
    next,
    isOld
      ? `Posted. The place shows its copy, ${days(age)} old: the page is not read, and the edit is not seen.`
      : `Posted. The place shows its copy, ${days(age)} old.`,
  )
}

/** The edit goes live, or is taken back. No place hears of it. */
export function publish(box: ShareBox, live: Version): ShareBox {
  const what = live === 'after' ? 'The edit is live.' : 'The site is as it was before the edit.'
  return noted({ ...box, live }, `${what} No place hears of it by itself.`)
}

/** Days pass. */
export function wait(box: ShareBox, count: number): ShareBox {
  return noted({ ...box, day: box.day + count }, `${days(count)} later.`)
}

/** The place is asked to read an address again. Where that renews the text alone, the second asking renews the picture. */
export function askAgain(box: ShareBox, address: string, { holding }: Holder): ShareBox {
  const held = box.copies[address]
  if (!held) return noted(box, 'Asked again. The place holds no copy of this address: there is nothing to renew.')
  const isTextAlone = holding.askingRenews.value === 'text' && held.text !== box.live && held.picture !== box.live
  const copy = { text: box.live, picture: isTextAlone ? held.picture : box.live, day: box.day }
  const next = { ...box, copies: { ...box.copies, [address]: copy } }
  const posted = box.posts.some((one) => one.address === address)
    ? holding.postedLinks.value === 'renewed'
      ? ' Links that are posted already change with it.'
      : ' Links that are posted already stay as they are.'
    : ''
  const what = isTextAlone ? 'The text is renewed, the picture not yet: ask once more.' : 'The copy is renewed.'
  return noted(next, `Asked again. ${what}${posted}`)
}

/** What a posted link shows by now: some places renew what was posted with their copy, others keep it as it was sent. */
export function shownNow(box: ShareBox, { address, shown }: Post, { holding }: Holder): Shown {
  const copy = box.copies[address]
  return copy && holding.postedLinks.value === 'renewed' ? copy : shown
}
