import { unfitIn } from '../draft'

/** Texts of properties as a page can carry them: a line end is LF, and what no document can hold is left out. */
export function fitText(text: string): string {
  return [...text.replaceAll('\r\n', '\n')].filter((character) => unfitIn(character) === null).join('')
}
