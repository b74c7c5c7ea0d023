import { limits } from '../address'
import type { FileFault } from './schema-faults'

/** Does JSON put lists and objects into one another deeper than this? Brackets in texts don't count. */
export function isDeeperThan(text: string, most: number): boolean {
  let depth = 0
  for (let at = 0; at < text.length; at++) {
    switch (text.charCodeAt(at)) {
      case QUOTE:
        for (at++; at < text.length; at++) {
          const code = text.charCodeAt(at)
          if (code === QUOTE) break
          if (code === BACKSLASH) at++
        }
        break
      case OPEN_LIST:
      case OPEN_OBJECT:
        if (++depth > most) return true
        break
      case CLOSE_LIST:
      case CLOSE_OBJECT:
        depth--
    }
  }
  return false
}

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [
  0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d,
] as const

/**
 * Reads JSON, with or without a byte order mark. What is longer, or lies deeper, than any file of its kind is refused
 * before it is taken apart: whatever goes through it afterwards may take each level as a call.
 *
 * @param maxCharacters settings by default; documents of runs may be longer
 */
export function parseJson(
  text: string,
  maxCharacters: number = limits.settingsCharacters,
): { ok: true; value: unknown } | { ok: false; faults: FileFault[] } {
  const refused = (message: string) => ({ ok: false as const, faults: [{ path: 'the file', message }] })
  if (text.length > maxCharacters) return refused(`It has ${text.length} characters; ${maxCharacters} are the most.`)
  if (isDeeperThan(text, limits.jsonDepth))
    return refused(`Its lists lie deeper in one another than ${limits.jsonDepth} levels.`)
  try {
    return { ok: true, value: JSON.parse(text.replace(/^\uFEFF/, '')) }
  } catch (error) {
    const message = `It is no JSON: ${error instanceof Error ? error.message : String(error)}`
    return { ok: false, faults: [{ path: 'the file', message }] }
  }
}
