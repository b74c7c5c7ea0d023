/**
 * Requests that are being answered. Once nothing refers to a request, the platform lets go of it, and its signal never
 * fires again, though the client vanishes: so each is held until its answer is complete.
 */
const held = new Set<Request>()

/** One answer that is under way: `signal` fires when the client is gone. */
export type Answering = { signal: AbortSignal; stop: () => void; done: () => void }

export function answering(request: Request): Answering {
  held.add(request)
  const gone = new AbortController()
  const done = () => {
    held.delete(request)
    request.signal.removeEventListener('abort', stop)
  }
  const stop = () => {
    done()
    gone.abort()
  }
  if (request.signal.aborted) stop()
  else request.signal.addEventListener('abort', stop, { once: true })
  return { signal: gone.signal, stop, done }
}
