import { pathnameOf, pathOn, withoutQuery } from './address'
import { limits } from './limits'

/** Decides by path which addresses a run looks at. `*` stays within a segment, `**` goes across. */
export type PathFilter = (path: string) => boolean

/** One thing that a glob asks of a segment: a sign, any sign, any number of signs, or one of a class. */
type Token =
  | { kind: 'sign'; sign: string }
  | { kind: 'any' }
  | { kind: 'star' }
  | { kind: 'class'; isNot: boolean; ranges: [string, string][] }

/** `across`: any number of segments; `whole`: one, whatever it is. */
type Segment = Token[] | 'across' | 'whole'

/** Signs from `[` to its `]`; null where it is never closed, and stands for itself. */
function classAt(glob: string, at: number): { token: Token; end: number } | null {
  const isNot = glob[at + 1] === '!' || glob[at + 1] === '^'
  const first = at + (isNot ? 2 : 1)
  const end = glob.indexOf(']', first + 1)
  if (end < 0 || glob.slice(first, end).includes('/')) return null
  const ranges: [string, string][] = []
  for (let index = first; index < end; index++) {
    const from = glob[index]!
    const isRange = glob[index + 1] === '-' && index + 2 < end
    ranges.push([from, isRange ? glob[index + 2]! : from])
    if (isRange) index += 2
  }
  return { token: { kind: 'class', isNot, ranges }, end }
}

function parseGlob(glob: string): Segment[] {
  const segments: Segment[] = []
  let tokens: Token[] = []
  const close = () => {
    const isAcross = tokens.length === 2 && tokens.every(({ kind }) => kind === 'star')
    segments.push(isAcross ? 'across' : tokens)
    tokens = []
  }
  for (let at = 0; at < glob.length; at++) {
    const sign = glob[at]!
    const found = sign === '[' ? classAt(glob, at) : null
    if (sign === '/') close()
    else if (sign === '*') tokens.push({ kind: 'star' })
    else if (sign === '?') tokens.push({ kind: 'any' })
    else if (found) {
      tokens.push(found.token)
      at = found.end
    } else if (sign === '\\' && at + 1 < glob.length) tokens.push({ kind: 'sign', sign: glob[++at]! })
    else tokens.push({ kind: 'sign', sign })
  }
  close()
  // `/guides/**` holds for `/guides` as well, but `/*/**` is meant for what lies deeper than `/*`.
  const before = segments.at(-2)
  if (segments.at(-1) === 'across' && Array.isArray(before) && before.at(-1)?.kind === 'star')
    segments.splice(-1, 0, 'whole')
  return segments
}

function fits(token: Token, sign: string): boolean {
  if (token.kind === 'sign') return token.sign === sign
  if (token.kind !== 'class') return true
  return token.ranges.some(([from, to]) => from <= sign && sign <= to) !== token.isNot
}

/**
 * Does a row of items fit a row of patterns, some of which take any number? Only the last of these is ever gone back to,
 * so that the time is at most the product of the two lengths, whatever is written.
 */
function isMatch<P, I>(
  patterns: readonly P[],
  items: ArrayLike<I>,
  isStar: (p: P) => boolean,
  suits: (p: P, i: I) => boolean,
) {
  let [pattern, item] = [0, 0]
  let [star, from] = [-1, 0]
  while (item < items.length) {
    const now = patterns[pattern]
    if (now !== undefined && isStar(now)) {
      star = pattern++
      from = item
    } else if (now !== undefined && suits(now, items[item]!)) {
      pattern++
      item++
    } else if (star >= 0) {
      pattern = star + 1
      item = ++from
    } else return false
  }
  while (pattern < patterns.length && isStar(patterns[pattern]!)) pattern++
  return pattern === patterns.length
}

/** A segment that is a star alone asks for something: `/guides/*` is no name for `/guides/`. */
const isLoneStar = (segment: Token[]) => segment.length > 0 && segment.every(({ kind }) => kind === 'star')

const isSegmentMatch = (segment: Segment, text: string): boolean =>
  segment === 'whole' ||
  (segment !== 'across' &&
    !(text === '' && isLoneStar(segment)) &&
    isMatch(segment, text, (token: Token) => token.kind === 'star', fits))

/**
 * A matcher of paths: `*` and `?` within a segment, `[a-z]` and `[!a-z]` for one sign, `**` alone in its segment for any
 * number of them. Where a glob ends in a star or a class, a slash may follow.
 */
export function globMatcher(glob: string): (path: string) => boolean {
  if (glob.length > limits.globCharacters) return () => false
  const segments = parseGlob(glob)
  const last = segments.at(-1)!
  const end = Array.isArray(last) ? last.at(-1)?.kind : null
  const mayEndInSlash = end === null || end === 'star' || end === 'class'
  const matches = (path: string) =>
    isMatch(segments, path.split('/'), (segment: Segment) => segment === 'across', isSegmentMatch)
  return (path) => {
    if (path.length > limits.addressCharacters) return false
    return matches(path) || (mayEndInSlash && path.endsWith('/') && matches(path.slice(0, -1)))
  }
}

/** Why a text is no glob that paths could be held against; null when it is one. */
export function globFault(glob: string): string | null {
  if (glob === '') return 'A glob is empty; it is meant as /guides/** or as *.'
  return glob.length > limits.globCharacters
    ? `A glob has ${glob.length} characters; ${limits.globCharacters} are the most.`
    : null
}

/**
 * @param include paths that are wanted; none given means all
 * @param exclude paths that are not, whatever `include` says
 */
export function createPathFilter(include: readonly string[], exclude: readonly string[]): PathFilter {
  const wanted = include.map(globMatcher)
  const unwanted = exclude.map(globMatcher)
  return (path) => (wanted.length === 0 || wanted.some((is) => is(path))) && !unwanted.some((is) => is(path))
}

/**
 * The paths that people know a page of a site by: as it is on its host, and without the path that the site lives under.
 *
 * @example pathForms('https://site.example/docs/a', 'https://site.example/docs/') // ['/docs/a', '/a']
 */
export function pathForms(url: string, site: string): string[] {
  const whole = pathnameOf(url)
  const own = pathOn(withoutQuery(url), site)
  return own === whole || !own.startsWith('/') ? [whole] : [whole, own]
}

/** A glob as it is meant where its first slash was left out: `guides/**` is `/guides/**`. */
const withFirstSlash = (glob: string) => (/^[\w.~%-]/.test(glob) ? `/${glob}` : glob)

/** Does a glob match a page, by whichever of its paths? */
export function urlMatcher(glob: string, site: string, matcher = globMatcher): (url: string) => boolean {
  const is = matcher(withFirstSlash(glob))
  return (url) => pathForms(url, site).some(is)
}

/**
 * The same as {@link createPathFilter} for URLs: globs are written with the path that the site lives under, or without.
 *
 * @param site base URL of the site
 */
export function createUrlFilter(
  include: readonly string[],
  exclude: readonly string[],
  site: string,
): (url: string) => boolean {
  const wanted = include.map((glob) => urlMatcher(glob, site))
  const unwanted = exclude.map((glob) => urlMatcher(glob, site))
  return (url) => (wanted.length === 0 || wanted.some((is) => is(url))) && !unwanted.some((is) => is(url))
}

/** Globs that match none of the pages, each with the nearest folder or page that there is. */
export function idleGlobs(
  globs: readonly string[],
  urls: readonly string[],
  site: string,
  nearest: (word: string, among: readonly string[]) => string | null,
): { glob: string; near: string }[] {
  return globs.flatMap((glob) => {
    if (urls.some(urlMatcher(glob, site))) return []
    const paths = urls.map((url) => pathForms(url, site).at(-1)!)
    const folders = [...new Set(paths.flatMap((path) => /^\/[^/]+\//.exec(path)?.[0] ?? []))].map((one) => `${one}**`)
    const near = nearest(glob, folders) ?? nearest(glob, paths)
    const some = (folders.length > 0 ? folders : paths).slice(0, 3).join(', ')
    return [{ glob, near: near === null ? `There are ${some}.` : `Is ${near} meant?` }]
  })
}
