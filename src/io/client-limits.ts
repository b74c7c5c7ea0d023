import { RateLimiterMemory } from 'rate-limiter-flexible'
import { isExposed } from './exposure'

/** What a server that is meant for others does for them. One for the person at this machine has no such limits. */
export const clientLimits = {
  crawlsOfClient: 2,
  crawlsInAll: 8,
  /** Addresses asked, pages and pictures, in each hour. */
  askedOfClient: 5000,
  askedInAll: 50_000,
} as const

const HOUR_S = 3600

type State = { crawls: Map<string, number>; ofClient: RateLimiterMemory; inAll: RateLimiterMemory }

const newState = (): State => ({
  crawls: new Map(),
  ofClient: new RateLimiterMemory({ points: clientLimits.askedOfClient, duration: HOUR_S }),
  inAll: new RateLimiterMemory({ points: clientLimits.askedInAll, duration: HOUR_S }),
})

/** Kept on the process, since routes are bundled apart. */
const holder = globalThis as { nimbleParrotClients?: State }
holder.nimbleParrotClients ??= newState()

/** Forgets all clients: for tests. */
export function forgetClients(): void {
  holder.nimbleParrotClients = newState()
}

/** Whose request it is, as our server wrote it into the request. */
export const clientOf = (request: Request): string => request.headers.get('x-nimble-parrot-client') ?? 'unknown'

/**
 * Begins a crawl for a client.
 * @returns what ends it; or why it can't begin now, in a sentence
 */
export function beginCrawl(client: string): (() => void) | string {
  if (!isExposed()) return () => undefined
  const { crawls } = holder.nimbleParrotClients!
  const own = crawls.get(client) ?? 0
  const all = [...crawls.values()].reduce((sum, count) => sum + count, 0)
  if (own >= clientLimits.crawlsOfClient)
    return `This server runs ${clientLimits.crawlsOfClient} crawls at once for one client. Wait for one to end, or stop it.`
  if (all >= clientLimits.crawlsInAll) return 'This server runs as many crawls as it may. Try again in a few minutes.'
  crawls.set(client, own + 1)
  let isOver = false
  return () => {
    if (isOver) return
    isOver = true
    const left = (crawls.get(client) ?? 1) - 1
    if (left > 0) crawls.set(client, left)
    else crawls.delete(client)
  }
}

/** Counts one address that is asked for a client. @returns why no more may be asked, in a sentence; null while it may */
export async function refusalToAsk(client: string): Promise<string | null> {
  if (!isExposed()) return null
  const { ofClient, inAll } = holder.nimbleParrotClients!
  const spent = (limiter: RateLimiterMemory, key: string) =>
    limiter.consume(key).then(
      () => false,
      () => true,
    )
  if (await spent(ofClient, client))
    return `This server asks ${clientLimits.askedOfClient} addresses an hour for one client, and has asked them.`
  return (await spent(inAll, 'all')) ? 'This server has asked as many addresses as it may in an hour.' : null
}
