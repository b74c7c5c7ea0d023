import type { Drawing } from './drawing'

/** A part of the face that cards are set in: the characters of some scripts, in one weight. */
export type FacePart = { subset: string; weight: number; ranges: string }

type Range = [first: number, last: number]

/** `U+0000-00FF,U+0131`, as CSS writes them. */
const rangesOf = (ranges: string): Range[] =>
  ranges.split(',').map((range) => {
    const [first, last = first] = range
      .trim()
      .replace(/^U\+/i, '')
      .split('-')
      .map((hex) => Number.parseInt(hex, 16))
    return [first!, last!]
  })

/** The parts that a drawing's letters are in: no other has to come along with it. */
export function facesNeeded<T extends FacePart>({ steps }: Drawing, parts: readonly T[]): T[] {
  const letters = new Map<number, Set<number>>()
  for (const step of steps) {
    if (step.kind !== 'text') continue
    const ofWeight = letters.get(step.weight) ?? new Set<number>()
    for (const letter of step.text) ofWeight.add(letter.codePointAt(0)!)
    letters.set(step.weight, ofWeight)
  }
  return parts.filter(({ weight, ranges }) => {
    const ofWeight = letters.get(weight)
    if (!ofWeight) return false
    const within = rangesOf(ranges)
    return [...ofWeight].some((point) => within.some(([first, last]) => point >= first && point <= last))
  })
}

/** A rule of @font-face with its file inside. @param source a data: address */
export const fontFaceRule = ({ weight, ranges }: FacePart, source: string): string =>
  `@font-face{font-family:Arimo;font-style:normal;font-weight:${weight};src:url(${source}) format("woff2");unicode-range:${ranges}}`
