const two = (number: number) => String(number).padStart(2, '0')

/** A moment as a field for day and time shows it, in the reader's own time: `2026-11-26T22:16`. */
export function toLocalInput(iso: string): string {
  const at = new Date(iso)
  const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
  return `${day}T${two(at.getHours())}:${two(at.getMinutes())}`
}

/** The moment that such a field names, ISO 8601; null when it names none. */
export function fromLocalInput(value: string): string | null {
  const at = new Date(value)
  return value === '' || Number.isNaN(at.getTime()) ? null : at.toISOString()
}
