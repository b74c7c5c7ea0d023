import { getDomain } from 'tldts'
import { isPrivateHost, limits, originOf, parseUrl } from '../address'
import { Pace } from './pace'

/** Domains under which anybody can have one (github.io, for one) are no site's own. */
const OPTIONS = { allowPrivateDomains: true }

/** What is registered under a public suffix; the host itself for an IP address or a single name. */
const ownerOf = (hostname: string): string => getDomain(hostname, OPTIONS) ?? hostname

/** Do two addresses lie under one registrable domain? */
export function haveOneOwner(a: string, b: string): boolean {
  const [one, other] = [parseUrl(a), parseUrl(b)]
  return one !== null && other !== null && ownerOf(one.hostname) === ownerOf(other.hostname)
}

/** Hosts told of at most. */
const MAX_TOLD = 20
/** Origins kept at most: a page may name any number. */
const MAX_KEPT = 1000

/**
 * Which hosts a run may ask for pictures, and how fast. Those of the site, under its registrable domain, or named by the
 * user are asked like the site itself. Any other is somebody else's, whom a page under check could have us flood: it is
 * asked slowly, and all of them together only so often.
 */
export class PictureHosts {
  private readonly own: Set<string>
  private readonly named: ReadonlySet<string>
  /** Whose origins are, for those that were asked for before. */
  private readonly strangers = new Map<string, string | null>()
  private readonly paces = new Map<string, Pace>()
  private readonly turnedAway = new Map<string, number>()
  private readonly told = new Set<string>()
  private readonly untold: string[] = []
  private asked = 0

  /**
   * @param ownAddresses the site, and the server that its build is read from
   * @param named hosts that the user says are theirs, without a port
   * @param most how often others are asked in all
   */
  constructor(
    ownAddresses: readonly string[],
    named: readonly string[],
    private readonly now: () => Date,
    private readonly most: number = limits.foreignPictures,
  ) {
    this.own = new Set()
    for (const address of ownAddresses) this.add(address)
    this.named = new Set(named.map((host) => host.toLowerCase()))
  }

  /** An address that the user gave: its host is theirs. */
  add(address: string): void {
    const hostname = parseUrl(address)?.hostname
    if (hostname !== undefined) this.own.add(ownerOf(hostname))
  }

  /** Whose an address is where it is somebody else's; null for the site's own. */
  private strangerOf(url: string): string | null {
    const origin = originOf(url)
    const known = this.strangers.get(origin)
    if (known !== undefined) return known
    const hostname = parseUrl(url)?.hostname
    const owner = hostname === undefined || this.named.has(hostname) ? null : ownerOf(hostname)
    const stranger = owner === null || this.own.has(owner) ? null : owner
    if (this.strangers.size < MAX_KEPT) this.strangers.set(origin, stranger)
    return stranger
  }

  private paceOf(owner: string): Pace {
    const known = this.paces.get(owner)
    if (known) return known
    const pace = new Pace(limits.foreignPictureMs, this.now)
    if (this.paces.size >= MAX_KEPT) this.paces.clear()
    this.paces.set(owner, pace)
    return pace
  }

  /** How long an address would have to wait now, in ms, without taking a place. */
  readyInMs(url: string): number {
    const owner = this.strangerOf(url)
    return owner === null || this.asked >= this.most ? 0 : this.paceOf(owner).readyInMs()
  }

  /** Takes a place for one request. @returns how long it has to wait, in ms; null where it may not be asked any more */
  take(url: string): number | null {
    const owner = this.strangerOf(url)
    if (owner === null) return 0
    if (this.asked >= this.most) {
      this.turnedAway.set(owner, (this.turnedAway.get(owner) ?? 0) + 1)
      return null
    }
    this.asked++
    const { hostname } = new URL(url)
    // A host of the reader's own network is not asked at all unless it was named.
    if (this.told.size < MAX_TOLD && !this.told.has(hostname) && !isPrivateHost(hostname)) {
      this.told.add(hostname)
      this.untold.push(hostname)
    }
    return this.paceOf(owner).waitMs()
  }

  /** What is said of pictures that were not asked for; null where there are none. */
  words(): string | null {
    if (this.turnedAway.size === 0) return null
    const count = [...this.turnedAway.values()].reduce((sum, one) => sum + one, 0)
    const hosts = [...this.turnedAway.keys()]
    const some = hosts.slice(0, 3).join(', ') + (hosts.length > 3 ? ' …' : '')
    return `${count} pictures on ${some} were not looked at: hosts that are not the site’s are asked ${this.most} times in a run. If they are yours, say so: identity.pictureHosts in nimble-parrot.json, or “It is ours” in Gather.`
  }

  /** Hosts that are asked slowly, those that were not told of yet. */
  slowed(): string[] {
    return this.untold.splice(0)
  }
}
