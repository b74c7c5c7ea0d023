import { typeOfFormat } from '../image'
import { ownEntry } from '../text'

/** The files of a build, wherever they are: a folder on disk, a zip, a folder that a browser was given. */
export type BuildFiles = {
  /** Paths from the build's root, with `/`, without a leading one. */
  paths: readonly string[]
  /** What lies there and can't be read as a file, in words: `feed.xml (a pipe)`. Absent: nothing. */
  passedOver?: readonly string[]
  /** Folder that all of them lay in where they came from, with a slash; absent or empty: none. */
  folder?: string
  /** Reads a file as far as it is wanted, and no further. */
  read(path: string, maxBytes: number): Promise<FilePart>
}

/** What was read of a file. `bytes` is the size of all of it. */
export type FilePart = { body: Uint8Array; isCut: boolean; bytes: number }

/** The part that is wanted of a file that is at hand. */
export const partOf = (whole: Uint8Array, maxBytes: number): FilePart => ({
  body: whole.length > maxBytes ? whole.subarray(0, maxBytes) : whole,
  isCut: whole.length > maxBytes,
  bytes: whole.length,
})

/** How files and public addresses correspond. */
export type FileMap = {
  /** Public address of an HTML file. */
  addressOf(path: string): string
  /** File that a public address means: the file itself, `+ .html`, or `+ /index.html`; null when there is none. */
  fileAt(publicAddress: string): string | null
}

const HTML_FILE = /\.x?html?$/i
/** Shells that generators write for errors and for client-side routing, alone or as the index of a folder. */
const SHELL_FILE = /(?:^|\/)(?:404|200|_not-found)(?:\/index)?\.x?html?$/i

/** The start of a build, then what lies deeper; by name where that is equal. A bound then leaves the start in. */
function byDepth(paths: readonly string[]): string[] {
  const depths = new Map(paths.map((path) => [path, path.split('/').length]))
  return [...paths].sort((a, b) => depths.get(a)! - depths.get(b)! || (a < b ? -1 : a > b ? 1 : 0))
}

/** How many pages a build has. */
export const countPageFiles = (paths: readonly string[]): number =>
  paths.reduce((count, path) => count + Number(HTML_FILE.test(path) && !SHELL_FILE.test(path)), 0)

/** HTML files of a build: those that are pages, and shells, which are pages only where one links to them. */
export function pageFiles(paths: readonly string[]): { pages: string[]; shells: string[] } {
  const html = byDepth(paths.filter((path) => HTML_FILE.test(path)))
  return {
    pages: html.filter((path) => !SHELL_FILE.test(path)),
    shells: html.filter((path) => SHELL_FILE.test(path)),
  }
}

/** A path with its percent-encoding undone; as it is when that makes no sense. */
export function decodedPath(pathname: string): string {
  try {
    return decodeURIComponent(pathname)
  } catch {
    return pathname
  }
}

/** Halves of a character that stand alone: names on disk may hold them, no address can. */
const LONE_SURROGATES = /[\uD800-\uDFFF]/gu

/** A path with each segment percent-encoded. Half a character becomes the sign for what can't be shown. */
export const encodedPath = (path: string): string =>
  path.replace(LONE_SURROGATES, '\uFFFD').split('/').map(encodeURIComponent).join('/')

/**
 * @param site public base address, with a slash at its end
 * @param linkedPaths paths (below the base, decoded, without a leading slash) that pages link to: they decide between
 *                    `/name` and `/name.html`
 * @param endsInSlash whether the address of a folder's index ends in a slash: no server is there to tell
 */
export function createFileMap(
  paths: readonly string[],
  site: string,
  linkedPaths: ReadonlySet<string>,
  endsInSlash: (folder: string) => boolean = () => true,
): FileMap {
  const files = new Set(paths)
  const base = new URL(site)
  return {
    addressOf(path) {
      if (path === 'index.html' || path === 'index.htm') return base.href
      const folder = /^(.*)\/index\.html?$/.exec(path)?.[1]
      if (folder !== undefined) return base.href + encodedPath(folder) + (endsInSlash(folder) ? '/' : '')
      const withoutExtension = path.replace(/\.html?$/, '')
      return base.href + encodedPath(linkedPaths.has(withoutExtension) ? withoutExtension : path)
    },
    fileAt(address) {
      const { pathname } = new URL(address)
      if (!pathname.startsWith(base.pathname) && `${pathname}/` !== base.pathname) return null
      // Servers merge slashes that follow each other.
      const path = decodedPath(pathname.slice(base.pathname.length))
        .replace(/\/{2,}/g, '/')
        .replace(/^\//, '')
      const trimmed = path.replace(/\/$/, '')
      const tries = [path, `${trimmed}.html`, trimmed === '' ? 'index.html' : `${trimmed}/index.html`]
      return tries.find((candidate) => files.has(candidate)) ?? null
    },
  }
}

const TYPES: Record<string, string> = {
  html: 'text/html',
  htm: 'text/html',
  xhtml: 'application/xhtml+xml',
  ...typeOfFormat,
  jpg: typeOfFormat.jpeg,
  tif: typeOfFormat.tiff,
  xml: 'application/xml',
  txt: 'text/plain',
}

/** Content type that a plain file server would give a file, by its name; null for what it doesn't know. */
export function typeOfFile(path: string): string | null {
  return ownEntry(TYPES, /\.([a-z0-9]+)$/i.exec(path)?.[1]?.toLowerCase() ?? '') ?? null
}
