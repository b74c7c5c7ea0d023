import { stableJson } from '../text'
import { mergedAnswers } from './answers'
import type { Requirements } from './requirements'

/** What requirements ask of pages: without waivers and answers, which people add as they work together, and what only describes the file. */
export const askedOfPages = ({
  answers: _a,
  waivers: _w,
  $schema: _s,
  format: _f,
  version: _v,
  ...rest
}: Requirements) => rest

/**
 * Requirements of two people as one. Waivers of both hold; of one question on one page the later answer stands. What is
 * asked of pages can't be put together: that of the first stands.
 *
 * @returns `differs`: what is asked of pages is not the same in both
 */
export function mergedRequirements(
  own: Requirements,
  other: Requirements,
): { requirements: Requirements; differs: boolean } {
  const known = new Set((own.waivers ?? []).map(stableJson))
  const waivers = [...(own.waivers ?? []), ...(other.waivers ?? []).filter((waiver) => !known.has(stableJson(waiver)))]
  const answers = mergedAnswers(own.answers ?? [], other.answers ?? [])
  const [mine, theirs] = [askedOfPages(own), askedOfPages(other)]
  const hasMine = Object.keys(mine).length > 0
  return {
    requirements: {
      ...(hasMine ? own : other),
      ...(waivers.length > 0 ? { waivers } : {}),
      ...(answers.length > 0 ? { answers } : {}),
    },
    differs: hasMine && Object.keys(theirs).length > 0 && stableJson(mine) !== stableJson(theirs),
  }
}
