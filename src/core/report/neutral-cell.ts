/** A cell that no spreadsheet takes for a formula: what starts like one gets a leading apostrophe. */
export function neutralCell(cell: string): string {
  return /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell
}
