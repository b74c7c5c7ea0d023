import { mergedAnswers } from './answers'
import type { Requirements } from './requirements'

/** Without what people add to as they work together, and what only describes the file. */
const plain = ({ answers: _a, waivers: _w, $schema: _s, format: _f, version: _v, ...rest }: Requirements) => rest

/** The same whatever the order of its fields. */
const inOrder = (value: unknown): string =>
  JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  )

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
  const known = new Set((own.waivers ?? []).map(inOrder))
  const waivers = [...(own.waivers ?? []), ...(other.waivers ?? []).filter((waiver) => !known.has(inOrder(waiver)))]
  const answers = mergedAnswers(own.answers ?? [], other.answers ?? [])
  const [mine, theirs] = [plain(own), plain(other)]
  const hasMine = Object.keys(mine).length > 0
  return {
    requirements: {
      ...(hasMine ? own : other),
      ...(waivers.length > 0 ? { waivers } : {}),
      ...(answers.length > 0 ? { answers } : {}),
    },
    differs: hasMine && Object.keys(theirs).length > 0 && inOrder(mine) !== inOrder(theirs),
  }
}
