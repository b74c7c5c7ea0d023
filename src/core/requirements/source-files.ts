import { limits } from '../address'

/** Where the pages of a path are written: `from` is a glob of paths, `to` a file, with the same stars. */
export type SourceRule = { from: string; to: string }

type Piece = { stars: '' | '*' | '**'; text: string }

/**
 * What the stars of a glob stand for in a path; null where it doesn't match. `*` stays within a segment, `**` goes across;
 * of several ways the first star takes the most. Takes the product of the two lengths at most, whatever is written.
 */
function capturesOf(glob: string, path: string): string[] | null {
  if (glob.length > limits.globCharacters || path.length > limits.addressCharacters) return null
  const pieces = glob.split(/(\*\*|\*)/).map((text): Piece => {
    const isStars = text === '*' || text === '**'
    return { stars: isStars ? text : '', text }
  })
  // fits[n][at]: do the pieces from the nth on match the path from there to its end?
  const fits = pieces.map(() => new Uint8Array(path.length + 1))
  const restFits = (piece: number, at: number) =>
    piece === pieces.length ? at === path.length : fits[piece]![at] === 1
  for (let piece = pieces.length - 1; piece >= 0; piece--) {
    const { stars, text } = pieces[piece]!
    for (let at = path.length; at >= 0; at--) {
      const goesOn = stars !== '' && at < path.length && (stars === '**' || path[at] !== '/') && restFits(piece, at + 1)
      const isText = stars === '' && path.startsWith(text, at) && restFits(piece + 1, at + text.length)
      if (goesOn || isText || (stars !== '' && restFits(piece + 1, at))) fits[piece]![at] = 1
    }
  }
  if (!restFits(0, 0)) return null
  let from = 0
  return pieces.flatMap(({ stars, text }, piece) => {
    if (stars === '') {
      from += text.length
      return []
    }
    let to = from
    for (let at = from; at <= path.length; at++) {
      if (restFits(piece + 1, at)) to = at
      if (stars === '*' && path[at] === '/') break
    }
    const captured = path.slice(from, to)
    from = to
    return [captured]
  })
}

/** A path without what a server or a generator puts at its end: `/guides/lamp/`, `/guides/lamp.html` → `/guides/lamp`. */
const bare = (path: string) => path.replace(/(?:\/index)?\.html?$/i, '').replace(/(.)\/$/, '$1')

/**
 * The file in which a page is written, by the first rule whose glob fits its path; null where none does.
 *
 * @example sourceFileOf('/guides/lamp/', [{ from: '/guides/*', to: 'content/guides/*.md' }]) // 'content/guides/lamp.md'
 */
export function sourceFileOf(path: string, rules: readonly SourceRule[]): string | null {
  for (const { from, to } of rules) {
    const captured = capturesOf(from, bare(path)) ?? capturesOf(from, path)
    if (captured === null) continue
    let at = 0
    return to.replace(/\*\*|\*/g, () => captured[at++] ?? '')
  }
  return null
}

/** Names under which front matter holds what a tag says. */
const FIELDS: Readonly<Record<string, readonly string[]>> = {
  title: ['title'],
  description: ['description', 'summary', 'excerpt'],
  image: ['image', 'cover', 'ogImage', 'og_image', 'thumbnail'],
  type: ['type', 'layout'],
  url: ['permalink', 'slug', 'url'],
  canonical: ['canonical', 'permalink', 'slug'],
  author: ['author'],
}

/**
 * Line of a source file on which a tag is written, from 1: where the tag is named, else the field of the front matter
 * that it is filled from; null where neither is there.
 */
export function lineOfTag(text: string, tag: string): number | null {
  const lines = text.split(/\r\n|\n|\r/)
  const named = tag.includes(':') ? lines.findIndex((line) => line.includes(tag)) : -1
  if (named >= 0) return named + 1
  if (lines[0]?.trim() !== '---') return null
  const name = /(?:^|:)(title|description|image|type|url|canonical|author)$/.exec(tag)?.[1]
  const fields = name !== undefined && Object.hasOwn(FIELDS, name) ? FIELDS[name]! : []
  const end = lines.findIndex((line, index) => index > 0 && line.trim() === '---')
  const found = lines
    .slice(0, end < 0 ? lines.length : end)
    .findIndex((line) => fields.some((field) => line.startsWith(`${field}:`)))
  return found < 0 ? null : found + 1
}
