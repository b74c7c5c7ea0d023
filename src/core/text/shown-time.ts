const written = new Map<string, Intl.DateTimeFormat>()

/** A way of writing a moment, kept: making one costs more than writing a thousand. */
function writing(timeZone: string): Intl.DateTimeFormat {
  const known = written.get(timeZone)
  if (known) return known
  const made = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
    ...(timeZone === 'UTC' ? {} : { timeZoneName: 'short' }),
  })
  written.set(timeZone, made)
  return made
}

/**
 * A moment as people write it; what is no moment is given back as it is.
 *
 * @param timeZone an IANA name; UTC where the reader is not known
 * @example shownTime('2026-11-27T19:14:03Z') // '27 November 2026, 19:14 UTC'
 */
export function shownTime(iso: string, timeZone = 'UTC'): string {
  const time = Date.parse(iso)
  if (Number.isNaN(time)) return iso
  const text = writing(timeZone).format(time).replace(' at ', ', ')
  return timeZone === 'UTC' ? `${text} UTC` : text
}
