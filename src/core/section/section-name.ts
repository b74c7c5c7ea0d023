/** Segments of a glob, and how they are called. */
const WORDS: Record<string, string> = {
  '?*': 'pages beside each other',
  '[0-9]*': 'dated or numbered',
}

/**
 * What people read for a section: its path as it is, where it can be read; words where it is a pattern only a program
 * reads. The id stays what a requirements file takes.
 *
 * @example sectionName('/guides/*') // '/guides/*'
 * @example sectionName('/fr/?*') // '/fr: pages beside each other'
 */
export function sectionName(id: string): string {
  const found = /\/(\?\*|\[0-9\]\*)/.exec(id)
  if (!found) return id
  const [{ length }, glob = ''] = found
  const before = id.slice(0, found.index)
  const rest = id.slice(found.index + length)
  const words = glob === '?*' && rest !== '' ? 'all others' : WORDS[glob]!
  return before ? `${before}: ${words}` : words[0]!.toUpperCase() + words.slice(1)
}
