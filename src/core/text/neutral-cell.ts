import { visible } from './visible'

/** A cell of one line that no spreadsheet takes for a formula: what starts like one gets a leading apostrophe. */
export function neutralCell(value: string): string {
  const cell = visible(value)
  return /^[=+\-@]/.test(cell) ? `'${cell}` : cell
}
