import { strFromU8 } from 'fflate'
import { limits } from '../address'

/** A zip that is not one, or that would not fit into memory. */
export class BadZip extends Error {}

/** One file of a zip: where its packed bytes are, and what its entry says of it. */
export type ZipEntry = {
  name: string
  /** 0: stored as it is; 8: deflated. */
  method: number
  isEncrypted: boolean
  /** Where its own header starts, and where its packed bytes end. */
  start: number
  dataStart: number
  end: number
  /** Bytes as its entry says; what unpacks to more is refused when it does. */
  bytes: number
}

const END = 0x06054b50
const END_64 = 0x06064b50
const LOCATOR_64 = 0x07064b50
const CENTRAL = 0x02014b50
const LOCAL = 0x04034b50
/** Size of the end record, and the longest comment that may follow it. */
const END_BYTES = 22
const MAX_COMMENT = 0xffff

const broken = () => new BadZip('It is no zip, or it is broken.')

/** 64 bits as a number: what is beyond 2^53 is beyond any file that could be held. */
const wide = (view: DataView, at: number) => view.getUint32(at, true) + view.getUint32(at + 4, true) * 2 ** 32

function endOf(view: DataView): number {
  const last = view.byteLength - END_BYTES
  for (let at = last; at >= Math.max(0, last - MAX_COMMENT); at--) if (view.getUint32(at, true) === END) return at
  throw broken()
}

/** Number of entries, and size and place of the directory (APPNOTE 4.3.14 to 4.3.16). */
function directoryOf(view: DataView): { count: number; size: number; at: number } {
  const end = endOf(view)
  const locator = end - 20
  if (locator >= 0 && view.getUint32(locator, true) === LOCATOR_64) {
    const end64 = wide(view, locator + 8)
    if (end64 > view.byteLength - 56 || view.getUint32(end64, true) !== END_64) throw broken()
    return { count: wide(view, end64 + 32), size: wide(view, end64 + 40), at: wide(view, end64 + 48) }
  }
  const size = view.getUint32(end + 12, true)
  // What stands before the archive (a program that unpacks itself) moves all of it.
  return { count: view.getUint16(end + 10, true), size, at: end - size }
}

/** Sizes and place of an entry of more than 4 GB, in its extra field (APPNOTE 4.5.3); as they are for any other. */
function sizesOf(view: DataView, at: number, nameEnd: number, extraEnd: number) {
  const narrow = {
    bytes: view.getUint32(at + 24, true),
    packed: view.getUint32(at + 20, true),
    start: view.getUint32(at + 42, true),
  }
  for (let field = nameEnd; field + 4 <= extraEnd; field += 4 + view.getUint16(field + 2, true)) {
    if (view.getUint16(field, true) !== 1) continue
    let from = field + 4
    for (const key of ['bytes', 'packed', 'start'] as const) {
      if (narrow[key] !== 0xffffffff) continue
      narrow[key] = wide(view, from)
      from += 8
    }
  }
  return narrow
}

/**
 * The entries of a zip, read from its directory and held against each file's own header. Entries that share bytes, with
 * one another or with the directory, are no honest archive: one packed block would stand for any number of files.
 *
 * @throws BadZip when it is none, is broken, or has more files than a build
 */
export function readZipDirectory(bytes: Uint8Array): ZipEntry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  try {
    const { count, size, at: from } = directoryOf(view)
    if (count > limits.zipEntries) throw new BadZip(`It has ${count} files; ${limits.zipEntries} are the most.`)
    if (from < 0 || from + size > view.byteLength) throw broken()
    const moved = view.getUint32(from, true) === CENTRAL || count === 0 ? shiftOf(view, from) : 0
    const entries: ZipEntry[] = []
    let at = from
    for (let index = 0; index < count; index++) {
      if (at + 46 > from + size || view.getUint32(at, true) !== CENTRAL) throw broken()
      const nameEnd = at + 46 + view.getUint16(at + 28, true)
      const extraEnd = nameEnd + view.getUint16(at + 30, true)
      if (extraEnd > from + size) throw broken()
      const flags = view.getUint16(at + 8, true)
      const sizes = sizesOf(view, at, nameEnd, extraEnd)
      const start = sizes.start + moved
      if (start + 30 > from || view.getUint32(start, true) !== LOCAL) throw broken()
      const dataStart = start + 30 + view.getUint16(start + 26, true) + view.getUint16(start + 28, true)
      entries.push({
        name: strFromU8(bytes.subarray(at + 46, nameEnd), (flags & 0x800) === 0),
        method: view.getUint16(at + 10, true),
        isEncrypted: (flags & 1) !== 0,
        start,
        dataStart,
        end: dataStart + sizes.packed,
        bytes: sizes.bytes,
      })
      at = extraEnd + view.getUint16(at + 32, true)
    }
    ensureApart(entries, from)
    return entries
  } catch (error) {
    // Beyond the end of the bytes: an address in it leads nowhere.
    throw error instanceof RangeError ? broken() : error
  }
}

/** By how much all of the archive was moved by what stands before it. */
function shiftOf(view: DataView, directoryAt: number): number {
  const end = endOf(view)
  const said = view.getUint32(end + 16, true)
  return said === 0xffffffff ? 0 : directoryAt - said
}

function ensureApart(entries: readonly ZipEntry[], directoryAt: number): void {
  const inOrder = [...entries].sort((a, b) => a.start - b.start)
  for (const [index, { name, end }] of inOrder.entries()) {
    const next = inOrder[index + 1]
    if (end > (next?.start ?? directoryAt))
      throw new BadZip(`${name} shares its bytes with ${next?.name ?? 'the list of files'}: no archiver does that.`)
  }
}
