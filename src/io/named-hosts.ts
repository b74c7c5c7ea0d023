import { lookup } from 'node:dns/promises'
import { isIP } from 'node:net'
import { parseUrl } from '@/core/address'
import { isExposed } from './exposure'
import { hostAndPortOf, type InnerHosts, isInnerAddress, noInnerHosts } from './guard'

/** All addresses of a name. */
type LookUp = (name: string) => Promise<string[]>

const lookUpAll: LookUp = async (name) => (await lookup(name, { all: true })).map(({ address }) => address)

/** Names looked up at most: a list may hold any number of hosts, and hardly ever inner ones of more than a few. */
const MAX_NAMES = 50

/**
 * The inner hosts among those that the user named, as they are now: a name that leads to the public network today does
 * not lead inside for this run, whatever its owner makes of it later. None where the server is exposed.
 */
export async function innerHostsNamed(addresses: Iterable<string>, lookUp = lookUpAll): Promise<InnerHosts> {
  if (isExposed()) return noInnerHosts
  const names = new Map<string, string>()
  for (const address of addresses) {
    const url = parseUrl(address)
    if (url && names.size < MAX_NAMES) names.set(hostAndPortOf(url), url.hostname.replace(/^\[|\]$/g, ''))
  }
  const found = await Promise.all(
    [...names].map(async ([host, name]) => {
      const all = isIP(name) !== 0 ? [name] : await lookUp(name).catch(() => [])
      return [host, new Set(all.filter(isInnerAddress))] as const
    }),
  )
  return new Map(found.filter(([, inner]) => inner.size > 0))
}
