import { NAMES } from './tag-table'

// A name becomes a number without making a string of it: a hash is added up while its letters are read, and a table
// without collisions (found once, below) gives the one element that it can be, which is then compared letter by letter.

const MIXER = 0x9e3779b1

/** First value of a name's hash. */
export const HASH_START = 7

/** Adds one UTF-16 unit, in lower case if it is a letter. */
export function addToHash(hash: number, unit: number): number {
  return (Math.imul(hash, 31) + (unit | 0x20)) | 0
}

function hashOf(name: string): number {
  let hash = HASH_START
  for (let index = 0; index < name.length; index++) hash = addToHash(hash, name.charCodeAt(index))
  return hash
}

/** Finds a size of table in which no two known names share a slot. */
function makeTable(): { slots: Uint8Array; shift: number } {
  for (let size = 8; size < 20; size++) {
    const slots = new Uint8Array(1 << size)
    const shift = 32 - size
    const isFree = NAMES.slice(1).every((name, index) => {
      const slot = Math.imul(hashOf(name), MIXER) >>> shift
      if (slots[slot] !== 0) return false
      slots[slot] = index + 1
      return true
    })
    if (isFree) return { slots, shift }
  }
  throw new Error('no table without collisions')
}

const { slots, shift } = makeTable()

/** Number of the element whose name stands at `start` (in any case) and has this hash; 0 when none is known. */
export function knownTag(text: string, start: number, end: number, hash: number): number {
  const tag = slots[Math.imul(hash, MIXER) >>> shift]!
  const name = NAMES[tag]!
  if (name.length !== end - start || tag === 0) return 0
  for (let index = 0; index < name.length; index++) {
    const unit = text.charCodeAt(start + index)
    // Upper-case letters only: 0x20 would also turn `\x10` into `0` and the like.
    const lower = unit >= 65 && unit <= 90 ? unit | 0x20 : unit
    if (lower !== name.charCodeAt(index)) return 0
  }
  return tag
}

/** Numbers of names that the standard doesn't know, given out as they are met. */
export class OtherNames {
  private readonly numbers = new Map<string, number>()

  numberOf(name: string): number {
    const known = this.numbers.get(name)
    if (known !== undefined) return known
    const number = NAMES.length + this.numbers.size
    // A slice would keep the whole page in memory for as long as the map lives.
    this.numbers.set(name, number)
    return number
  }
}
