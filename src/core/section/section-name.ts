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
  const { before, glob, rest } = /^(?<before>.*?)\/(?<glob>\?\*|\[0-9\]\*)(?<rest>.*)$/.exec(id)?.groups ?? {}
  if (glob === undefined) return id
  const words = glob === '?*' && rest !== '' ? 'all others' : WORDS[glob]!
  return before ? `${before}: ${words}` : words[0]!.toUpperCase() + words.slice(1)
}
