import { expect, test } from 'vitest'
import { patternsOfSource } from './patterns.mjs'

/** What rows of it make patterns go back: spaces of all kinds, letters, digits, and the signs that patterns here look for. */
const UNITS = [
  ...[' ', '\t', '\n', '\u00a0', 'a', 'A', '0', '_', '-', '.', ',', ';', ':', '/', '\\', '?', '#', '&', '=', '%', '*'],
  ...['<', '>', '"', "'", '(', ')', '[', ']', '{', '}', '|', '+', '@', '$', '~', 'é', '\u3042', '\ud800', '\u200b'],
  ...['a ', ' a', '- ', '0a', '/a', 'a.', 'a-', '&a=', '<!--', '-->', '{{', '}}', '%a', 'http://', '::', ' | '],
]
const [SHORT, LONG] = [4000, 16_000]
/** A pattern that is quick on the long one is quick; one whose time grows with the square takes sixteen times the short. */
const QUICK_MS = 8
const GROWTH = 9

/** The least of three times, in ms: what else goes on only ever adds to it. */
function msOf(pattern: RegExp, text: string): number {
  let least = Number.POSITIVE_INFINITY
  for (let times = 0; times < 3; times++) {
    const at = performance.now()
    pattern.test(text)
    least = Math.min(least, performance.now() - at)
    if (least < QUICK_MS) break
  }
  return least
}

/** A piece that the pattern begins with, where it is written out: behind it the rest of the pattern is reached. */
const beginningOf = (source: string) => /^\^?((?:[\w :/<%@-]|\\\/)+)/.exec(source)?.[1]?.replaceAll('\\', '') ?? ''

test('no regular expression of the program takes the square of what it is given', { timeout: 120_000 }, () => {
  const patterns = patternsOfSource()
  expect(patterns.length).toBeGreaterThan(200)
  const slow: string[] = []
  for (const { source, flags, places } of patterns) {
    const pattern = new RegExp(source, flags.replace('g', ''))
    const starts = [...new Set(['', beginningOf(source)])]
    const of = (unit: string, start: string, length: number) => `${start}${unit.repeat(length / unit.length)}\n!${unit}`
    const isSlow = UNITS.some((unit) =>
      starts.some((start) => {
        const long = msOf(pattern, of(unit, start, LONG))
        return long > QUICK_MS && long > GROWTH * msOf(pattern, of(unit, start, SHORT))
      }),
    )
    if (isSlow) slow.push(`/${source}/${flags} at ${places.join(', ')}`)
  }
  expect(slow).toEqual([])
})
