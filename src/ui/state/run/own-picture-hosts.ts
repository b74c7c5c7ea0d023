import { z } from 'zod'
import { parseJson } from '@/core/model'

const KEY = 'nimble-parrot picture hosts'
/** Hosts kept at most; the oldest go first. */
const MAX_KEPT = 50

/** Hosts of pictures that the reader said are theirs, in this browser. */
export function ownPictureHosts(): string[] {
  try {
    const read = parseJson(localStorage.getItem(KEY) ?? '[]')
    const hosts = z.array(z.string()).safeParse(read.ok ? read.value : [])
    return hosts.success ? hosts.data : []
  } catch {
    // Storage that is closed to us keeps nothing.
    return []
  }
}

/** Keeps a host as the reader's own: its pictures are asked for like the site's from then on. */
export function keepOwnPictureHost(host: string): void {
  try {
    const others = ownPictureHosts().filter((one) => one !== host)
    localStorage.setItem(KEY, JSON.stringify([...others, host].slice(-MAX_KEPT)))
  } catch {
    // It holds until the page is left.
  }
}
