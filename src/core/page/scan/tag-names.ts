import { NAMES } from './tag-table'

// A name becomes a number without making a string of it: its letters are packed into one while they are read, and a
// table without collisions (found once, below) gives the one element that it can be.

const MIXER = 0x9e3779b1
/** Of names up to this long no two are packed alike; longer ones are compared letter by letter as well. */
const PACKED_EXACTLY = 5

/** Six bits for each character that a known name is made of, a letter's the same in either case; 0 for all others. */
const CODES = new Uint8Array(128)
for (const [index, character] of [...'abcdefghijklmnopqrstuvwxyz0123456789-'].entries()) {
  CODES[character.charCodeAt(0)] = index + 1
  CODES[character.toUpperCase().charCodeAt(0)] = index + 1
}

/** @returns the code of a UTF-16 unit; 0 for what stands in no known name, and for NaN */
export function codeOf(unit: number): number {
  return unit < 128 ? CODES[unit]! : 0
}

/** Adds a character's code to a packed name, which begins as 0. */
export function addToName(packed: number, code: number): number {
  return ((packed << 6) | (packed >>> 26)) ^ code
}

function packedName(name: string): number {
  let packed = 0
  for (let index = 0; index < name.length; index++) packed = addToName(packed, codeOf(name.charCodeAt(index)))
  return packed
}

/** Finds a size of table in which no two known names share a slot. */
function makeTable(): { slots: Uint8Array; shift: number } {
  for (let size = 8; size < 20; size++) {
    const slots = new Uint8Array(1 << size)
    const shift = 32 - size
    const isFree = NAMES.slice(1).every((name, index) => {
      const slot = Math.imul(packedName(name), MIXER) >>> shift
      if (slots[slot] !== 0) return false
      slots[slot] = index + 1
      return true
    })
    if (isFree) return { slots, shift }
  }
  throw new Error('no table without collisions')
}

const { slots, shift } = makeTable()
const PACKED = Int32Array.from(NAMES, packedName)

/** Number of the element whose name stands from `start` to `end` (in any case) and is packed so; 0 when none is known. */
export function knownTag(text: string, start: number, end: number, packed: number): number {
  const tag = slots[Math.imul(packed, MIXER) >>> shift]!
  if (PACKED[tag] !== packed) return 0
  return end - start <= PACKED_EXACTLY || isName(text, start, end, NAMES[tag]!) ? tag : 0
}

function isName(text: string, start: number, end: number, name: string): boolean {
  if (name.length !== end - start) return false
  for (let index = 0; index < name.length; index++) {
    if (codeOf(text.charCodeAt(start + index)) !== codeOf(name.charCodeAt(index))) return false
  }
  return true
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
