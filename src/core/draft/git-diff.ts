import { createTwoFilesPatch } from 'diff'

/** A path as git writes it: in quotes, and its bytes in octal, where it holds more than plain signs. */
function quoted(path: string): string {
  if (/^[\x21\x23-\x5B\x5D-\x7E ]*$/.test(path)) return path
  const bytes = [...new TextEncoder().encode(path)].map((byte) =>
    byte < 0x20 || byte > 0x7e || byte === 0x22 || byte === 0x5c
      ? `\\${byte.toString(8).padStart(3, '0')}`
      : String.fromCharCode(byte),
  )
  return `"${bytes.join('')}"`
}

/** One file's change as a unified diff that `git apply` takes. */
export function gitDiff({ path, before, after }: { path: string; before: string; after: string }): string {
  const body = createTwoFilesPatch('a', 'b', before, after, '', '', { context: 3 })
  const [old, now] = [quoted(`a/${path}`), quoted(`b/${path}`)]
  // A path with a space ends at the tab.
  const name = (text: string) => (text.includes(' ') && !text.startsWith('"') ? `${text}\t` : text)
  const hunks = body.slice(body.indexOf('@@'))
  return `diff --git ${old} ${now}\n--- ${name(old)}\n+++ ${name(now)}\n${hunks}`
}
