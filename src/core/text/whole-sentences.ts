/**
 * The whole sentences at the start of a text that fit; where they are too few, its words.
 *
 * @param least characters from which on sentences are enough
 * @param most characters, as code points
 */
export function wholeSentences(text: string, { least, most }: { least: number; most: number }): string {
  if ([...text].length <= most) return text
  const start = [...text].slice(0, most).join('')
  const end = Math.max(...['. ', '! ', '? ', '。'].map((sign) => start.lastIndexOf(sign)))
  if (end >= least) return start.slice(0, end + 1)
  return start.slice(0, Math.max(start.lastIndexOf(' '), least)).trimEnd()
}
