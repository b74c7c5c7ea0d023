import picomatch from 'picomatch/posix'

/** Decides by path which addresses a run looks at. `*` stays within a segment, `**` goes across. */
export type PathFilter = (path: string) => boolean

/**
 * @param include paths that are wanted; none given means all
 * @param exclude paths that are not, whatever `include` says
 */
export function createPathFilter(include: readonly string[], exclude: readonly string[]): PathFilter {
  const options = { dot: true, nobrace: true, noextglob: true }
  const wanted = include.map((glob) => picomatch(glob, options))
  const unwanted = exclude.map((glob) => picomatch(glob, options))
  return (path) => (wanted.length === 0 || wanted.some((is) => is(path))) && !unwanted.some((is) => is(path))
}
