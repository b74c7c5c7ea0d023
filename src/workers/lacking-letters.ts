/** Side in px at which a letter is drawn to see which face it comes from. */
const SIDE = 24

const drawn = new Map<string, string>()
let pen: OffscreenCanvasRenderingContext2D | null = null

/** How a letter looks in a list of families, as text that is the same for the same pixels. */
function lookOf(letter: string, weight: number, families: string): string {
  const key = `${weight} ${families} ${letter}`
  const known = drawn.get(key)
  if (known !== undefined) return known
  pen ??= new OffscreenCanvas(SIDE * 2, SIDE * 2).getContext('2d', { willReadFrequently: true })!
  pen.clearRect(0, 0, SIDE * 2, SIDE * 2)
  pen.font = `${weight} ${SIDE}px ${families}`
  // From the base line: the middle is that of the first face, whichever draws the letter.
  pen.fillText(letter, 4, SIDE * 1.4)
  const look = String.fromCharCode(...pen.getImageData(0, 0, SIDE * 2, SIDE * 2).data.filter((_, at) => at % 4 === 3))
  if (drawn.size > 5000) drawn.clear()
  drawn.set(key, look)
  return look
}

/** Two faces that have nothing in common: a letter that looks as in each of them comes from neither's place in the list. */
const PLAIN = ['serif', 'monospace']

/** Is it drawn in colours by a face of its own everywhere? */
const isPictogram = (letter: string) => /\p{Extended_Pictographic}/u.test(letter)

/**
 * Letters that a face lacks, so that another stands in for them. A face that is not there lacks all.
 *
 * @param family as a canvas takes it, in quotes
 */
export function lackingLetters(family: string, weight: number, text: string): string[] {
  const letters = new Set([...text.normalize('NFC')].filter((letter) => /[^\s\p{M}\p{C}]/u.test(letter)))
  return [...letters].filter(
    (letter) =>
      !isPictogram(letter) &&
      PLAIN.every((plain) => lookOf(letter, weight, `${family}, ${plain}`) === lookOf(letter, weight, plain)),
  )
}

/** Faces that computers have for scripts that few faces hold: the first that has the letters is named. */
const CANDIDATES = [
  'Noto Sans CJK JP',
  'Noto Sans CJK SC',
  'Noto Sans JP',
  'Hiragino Sans',
  'Yu Gothic',
  'PingFang SC',
  'Microsoft YaHei',
  'Malgun Gothic',
  'Noto Sans Arabic',
  'Geeza Pro',
  'Segoe UI',
  'Noto Sans Devanagari',
  'Kohinoor Devanagari',
  'Nirmala UI',
  'Noto Sans',
  'DejaVu Sans',
  'Arial',
  'Tahoma',
]

/** Faces of this computer that have all of these letters, at most three. */
export const facesWith = (letters: readonly string[], weight: number): string[] =>
  CANDIDATES.filter((name) => lackingLetters(`"${name}"`, weight, letters.join('')).length === 0).slice(0, 3)
