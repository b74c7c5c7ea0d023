import { isIP } from 'node:net'
import { originOf, parseUrl } from '@/core/address'
import { hostAndPortOf, type InnerHosts, isInnerAddress } from './guard'

/** One origin, as a request to it needs it. */
export type Origin = {
  /** Scheme, host and port, as the URL standard writes them. */
  origin: string
  /** `host:port`. */
  host: string
  /** Why nothing is asked there; null when it may be. Names are judged again after they are looked up. */
  refusal: string | null
}

function judged(url: URL, innerHosts: InnerHosts): Origin {
  const { origin, hostname } = url
  const host = hostAndPortOf(url)
  // A literal address is connected to without a look-up, so it is judged here.
  const isLiteral = isIP(hostname.replace(/^\[|\]$/g, '')) !== 0
  const isRefused = !innerHosts.has(host) && isLiteral && isInnerAddress(hostname)
  const refusal = isRefused ? `${hostname} is an address inside this network, and not the one you named.` : null
  return { origin, host, refusal }
}

/** Origins kept at most; pictures may lie on many hosts. */
const MAX_KEPT = 1000
/** A path that the URL standard leaves as it is, a query with it. `/.` and `/%` may be steps upward. */
const PLAIN_PATH = /^\/[\w\-.~!$&()*+,;=:@/%]*(?:\?[\w\-.~!$&()*+,;=:@/?%]+)?$/
/** A start that ends where the host does: in `http://b#/a` the first slash is the fragment's. */
const PLAIN_START = /^[^#?\\]*$/
const MAY_STEP = /\/(?:\.|%2e)/i

/** Takes addresses apart. A run asks nearly everything of one origin, which is parsed and judged once. */
export class Origins {
  private readonly known = new Map<string, Origin>()

  constructor(private readonly innerHosts: InnerHosts) {}

  /** @param address absolute @returns where it leads, and the path with its query; null when it is no address */
  split(address: string): { to: Origin; path: string } | null {
    const start = originOf(address)
    const rest = address.slice(start.length)
    const isPlain = PLAIN_START.test(start) && PLAIN_PATH.test(rest) && !MAY_STEP.test(rest)
    const found = isPlain ? this.known.get(start) : undefined
    if (found) return { to: found, path: rest }
    const url = parseUrl(address)
    if (!url) return null
    const to = judged(url, this.innerHosts)
    const path = url.pathname + url.search
    if (isPlain && path === rest && this.known.size < MAX_KEPT) this.known.set(start, to)
    return { to, path }
  }
}
