/**
 * Offset of the first character that makes a text no JSON; null when it is valid.
 *
 * Engines word their own messages differently and often give no position, so the fault is found here (RFC 8259).
 *
 * @example findJsonFault('{"a": 1,}') // 8
 */
export function findJsonFault(text: string): number | null {
  const space = /[\t\n\r ]*/y
  // biome-ignore lint/suspicious/noControlCharactersInRegex: JSON strings may not hold them, which is the point
  const string = /"[^"\\\u0000-\u001F]*(?:\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4})[^"\\\u0000-\u001F]*)*"/y
  const scalar = /-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?|true|false|null/y
  let index = 0
  /** What closes each container that is open, innermost last. */
  const open: ('}' | ']')[] = []
  let expects: 'value' | 'first-value' | 'first-key' | 'key' | 'separator' = 'value'

  const skip = (pattern: RegExp): boolean => {
    pattern.lastIndex = index
    const found = pattern.exec(text)
    if (found) index += found[0].length
    return found !== null
  }

  for (;;) {
    skip(space)
    const character = text[index]
    if (expects === 'separator') {
      const closes = open.at(-1)
      if (closes === undefined) return character === undefined ? null : index
      if (character === closes) {
        open.pop()
        index++
      } else if (character === ',') {
        index++
        expects = closes === '}' ? 'key' : 'value'
      } else return index
      continue
    }
    if (expects === 'first-key' && character === '}') {
      open.pop()
      index++
      expects = 'separator'
      continue
    }
    if (expects === 'key' || expects === 'first-key') {
      if (!skip(string)) return index
      skip(space)
      if (text[index] !== ':') return index
      index++
      expects = 'value'
      continue
    }
    if (expects === 'first-value' && character === ']') {
      open.pop()
      index++
      expects = 'separator'
    } else if (character === '{') {
      open.push('}')
      index++
      expects = 'first-key'
    } else if (character === '[') {
      open.push(']')
      index++
      expects = 'first-value'
    } else {
      if (!(character === '"' ? skip(string) : skip(scalar))) return index
      expects = 'separator'
    }
  }
}
