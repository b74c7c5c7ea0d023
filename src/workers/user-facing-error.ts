/** A failure that says in its own words what happened and what to try. */
export class UserFacingError extends Error {}

/** What went wrong, for people. */
export function wordsFor(error: unknown): string {
  if (error instanceof UserFacingError) return error.message
  if (isStorageFull(error)) {
    return 'This browser’s storage is full. What was gathered is kept. Delete runs that you no longer need, below, and go on.'
  }
  const why = error instanceof Error ? error.message : String(error)
  return `Nimble Parrot’s own server did not answer (${why}). Is npm run demo still running?`
}

/** Did the browser refuse to write for want of room? Storage wraps the reason in its own errors. */
export function isStorageFull(error: unknown): boolean {
  for (let cause: unknown = error, depth = 0; cause instanceof Error && depth < 4; depth++) {
    if (cause.name === 'QuotaExceededError' || /quota/i.test(cause.message)) return true
    cause = (cause as { inner?: unknown }).inner ?? cause.cause
  }
  return false
}
