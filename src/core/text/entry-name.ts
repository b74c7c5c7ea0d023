/** Bytes of a name that every file system takes. */
const MAX_BYTES = 255

/** Names that are devices on Windows, with any ending. */
const DEVICES = /^(?:con|prn|aux|nul|conin\$|conout\$|com[0-9¹²³]|lpt[0-9¹²³])(?:\.|$)/i

/** Signs that lead elsewhere, or that no name has: separators, control signs, half characters. */
const HARMFUL = /[/\\\p{Cc}\u2028\u2029\p{Surrogate}]/u

/** Signs that some systems have in no name: drives and streams, quotes and wildcards. */
const FOREIGN = /[:*?"<>|]/g

/** A name without the dots and blanks at its end, which some systems drop. */
function withoutDroppedEnd(name: string): string {
  let end = name.length
  while (end > 0 && (name[end - 1] === '.' || name[end - 1] === ' ')) end--
  return name.slice(0, end)
}

/** Why one segment of a path can't be written anywhere; null where it can. */
function segmentFault(segment: string): string | null {
  if (segment === '') return 'an empty name is none'
  if (segment === '.' || segment === '..') return `“${segment}” leads elsewhere`
  if (HARMFUL.test(segment)) return 'a name holds a sign that leads elsewhere, or that no file has'
  if (/^[a-z]:/i.test(segment)) return `“${segment}” is of a drive`
  if (segment.toLowerCase() === '.git') return `“${segment}” is git’s own folder`
  if (DEVICES.test(segment)) return `“${segment}” is a device`
  if (new TextEncoder().encode(segment).length > MAX_BYTES) return `a name has more than ${MAX_BYTES} bytes`
  return null
}

/** Why one segment of a new name is better another; null where every system takes it. */
const newSegmentFault = (segment: string): string | null =>
  segmentFault(segment) ??
  (segment.search(FOREIGN) >= 0 || withoutDroppedEnd(segment) !== segment
    ? `“${segment}” is no name on some systems`
    : null)

/**
 * Why a path is no name for a file that is written or packed; null where it is one. It is decoded already: each segment
 * between `/` is looked at by itself.
 *
 * @example entryNameFault('img/a.png') // null
 */
export function entryNameFault(path: string): string | null {
  for (const segment of path.split('/')) {
    const fault = segmentFault(segment)
    if (fault !== null) return fault
  }
  return null
}

/**
 * The file that a path of a URL names, segment by segment, or why it names none: what is a separator once it is decoded
 * was none in the URL.
 *
 * @example fileOfPath('img/a%20b.png') // { path: 'img/a b.png', fault: null }
 */
export function fileOfPath(pathname: string): { path: string; fault: null } | { path: null; fault: string } {
  const segments: string[] = []
  for (const encoded of pathname.split('/')) {
    let segment = encoded
    try {
      segment = decodeURIComponent(encoded)
    } catch {
      // A lone percent sign stands for itself.
    }
    const fault = newSegmentFault(segment)
    if (fault !== null) return { path: null, fault }
    segments.push(segment)
  }
  return { path: segments.join('/'), fault: null }
}

/**
 * A path as every system takes it, below the folder that it is unpacked in: what leads elsewhere is dropped, signs that
 * some systems don't have become `_`.
 *
 * @example fittingPath('../a:b/NUL') // 'a_b/_NUL'
 */
export function fittingPath(path: string): string {
  const segments = path.split(/[/\\]/).flatMap((segment) => {
    const plain = [...segment].map((sign) => (HARMFUL.test(sign) || sign.search(FOREIGN) >= 0 ? '_' : sign)).join('')
    const isTaken = DEVICES.test(plain) || plain.toLowerCase() === '.git'
    const name = isTaken ? `_${plain}` : withoutDroppedEnd(plain)
    // A UTF-16 unit takes three bytes of UTF-8 at most.
    return name === '' ? [] : [withoutDroppedEnd(name.slice(0, MAX_BYTES / 3 - 2))]
  })
  return segments.join('/') || 'index'
}

/** @throws where one of the names is none for a file that is packed */
export function ensureEntryNames(paths: Iterable<string>): void {
  for (const path of paths) {
    const fault = entryNameFault(path)
    if (fault !== null) throw new Error(`${JSON.stringify(path)} can’t be packed: ${fault}.`)
  }
}
