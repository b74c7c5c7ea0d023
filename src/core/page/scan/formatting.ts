import type { OpenElements } from './open-elements'

/** Place of a marker in the list. */
const MARKER = 0
/**
 * Most elements that are opened again after the last marker. The standard knows no bound, and a page of a hundred thousand `<b id=…>` would
 * cost the square of that; 64 nested emphases are never meant.
 */
const MOST = 64

/**
 * The list of active formatting elements (13.2.4.3): what an unclosed `<b>` opens again in the next paragraph.
 *
 * Two things are left out, because no fact hangs on them: of equal elements more than three are kept (the "Noah's Ark
 * clause"), and what is opened again has no attributes.
 */
export class FormattingList {
  private tags: number[] = []
  private uids: number[] = []
  private places: number[] = []

  constructor(private readonly open: OpenElements) {}

  get isEmpty(): boolean {
    return this.tags.length === 0
  }

  /** Adds the current node. */
  addCurrent(tag: number): void {
    const first = this.tags.lastIndexOf(MARKER) + 1
    if (this.tags.length - first >= MOST) this.removeAt(first)
    this.tags.push(tag)
    this.uids.push(this.open.uidAt(this.open.top))
    this.places.push(this.open.top)
  }

  /** Closes the element opened last, if it is of this kind and the current node: what nearly every end tag does. */
  closeCurrent(tag: number): boolean {
    const last = this.tags.length - 1
    if (last < 0 || this.tags[last] !== tag || this.places[last] !== this.open.top) return false
    if (this.uids[last] !== this.open.uidAt(this.open.top)) return false
    this.removeAt(last)
    this.open.pop()
    return true
  }

  addMarker(): void {
    this.tags.push(MARKER)
    this.uids.push(0)
    this.places.push(-1)
  }

  clearToMarker(): void {
    while (this.tags.length > 0) {
      const tag = this.tags.pop()
      this.uids.pop()
      this.places.pop()
      if (tag === MARKER) return
    }
  }

  /** Entry of the last element of this kind after the last marker; -1 when there is none. */
  lastOf(tag: number): number {
    for (let entry = this.tags.length - 1; entry >= 0 && this.tags[entry] !== MARKER; entry--) {
      if (this.tags[entry] === tag) return entry
    }
    return -1
  }

  /** Where an entry's element stands on the stack; -1 when it is closed. */
  placeOf(entry: number): number {
    const place = this.places[entry]!
    return place <= this.open.top && this.open.uidAt(place) === this.uids[entry] ? place : -1
  }

  /** True when the element at this place of the stack is in the list. */
  holds(place: number): boolean {
    return this.uids.includes(this.open.uidAt(place))
  }

  removeAt(entry: number): void {
    if (entry === this.tags.length - 1) {
      this.tags.pop()
      this.uids.pop()
      this.places.pop()
      return
    }
    this.tags.splice(entry, 1)
    this.uids.splice(entry, 1)
    this.places.splice(entry, 1)
  }

  private isOpen(entry: number): boolean {
    return this.tags[entry] === MARKER || this.placeOf(entry) >= 0
  }

  /** "Reconstruct the active formatting elements": `insert` opens an element and makes it the current node. */
  reconstruct(insert: (tag: number) => void): void {
    let entry = this.tags.length - 1
    if (entry < 0 || this.isOpen(entry)) return
    while (entry > 0 && !this.isOpen(entry - 1)) entry--
    for (; entry < this.tags.length; entry++) {
      insert(this.tags[entry]!)
      this.uids[entry] = this.open.uidAt(this.open.top)
      this.places[entry] = this.open.top
    }
  }
}
