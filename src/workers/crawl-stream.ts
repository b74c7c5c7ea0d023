import { type CrawlRequest, WireEvent } from '@/core/crawl'
import { UserFacingError } from './user-facing-error'

/** Events of a crawl that the server runs, as they come. Aborting the signal ends it. */
export async function* crawlStream(request: CrawlRequest, signal: AbortSignal): AsyncGenerator<WireEvent> {
  const response = await fetch('/api/crawl', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(request),
    signal,
  })
  if (!response.ok || !response.body) {
    const said = (await response.json().catch(() => null)) as { error?: string } | null
    if (said?.error) throw new UserFacingError(said.error)
    throw new Error(`status ${response.status}`)
  }
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read()
    if (done) return
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) {
      const event = WireEvent.parse(JSON.parse(line))
      if (event.kind === 'failed') throw new UserFacingError(event.message)
      yield event
    }
  }
}
