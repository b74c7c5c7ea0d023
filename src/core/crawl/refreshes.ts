import type { RedirectHop } from '../model'
import { addTo } from '../text'

/** An address that leads to another, and the way. */
export type Lead = { address: string; chain: RedirectHop[] }

/** A page that does nothing but refresh answered with this before it sent on. */
export const REFRESH_STATUS = 200

/**
 * Works out where pages lead that only refresh elsewhere: they count as redirects.
 *
 * @param refreshes for each such page the address that it sends to, both public
 * @param leads addresses that HTTP redirects lead to such a page
 * @param known the address of the page that another address means; null when it means none
 * @returns leads by the page that they end at, and pages that send on in a circle
 */
export function settleRefreshes(
  refreshes: ReadonlyMap<string, string>,
  leads: ReadonlyMap<string, readonly Lead[]>,
  known: (address: string) => string | null,
): { leads: Map<string, Lead[]>; loops: Lead[] } {
  const settled = new Map<string, Lead[]>()
  const loops: Lead[] = []
  for (const from of refreshes.keys()) {
    const chain: RedirectHop[] = []
    const seen = new Set([from])
    let at = from
    let isLoop = false
    for (let to = refreshes.get(at); to !== undefined; to = refreshes.get(at)) {
      const next = known(to) ?? to
      chain.push({ status: REFRESH_STATUS, url: next })
      isLoop = seen.has(next)
      if (isLoop) break
      seen.add(next)
      at = next
    }
    if (isLoop) {
      loops.push({ address: from, chain })
      continue
    }
    addTo(settled, at, { address: from, chain })
    for (const lead of leads.get(from) ?? [])
      addTo(settled, at, { address: lead.address, chain: [...lead.chain, ...chain] })
  }
  return { leads: settled, loops }
}
