import ipaddr from 'ipaddr.js'

/** Addresses of clouds' own services that lie in public ranges. */
const METADATA = new Set(['168.63.129.16'])

/** The IPv4 address in 32 bits of an IPv6 one, from this byte on. */
const ipv4At = (bytes: number[], at: number) => new ipaddr.IPv4(bytes.slice(at, at + 4))

const isInnerIpv4 = (address: ipaddr.IPv4) => address.range() !== 'unicast' || METADATA.has(address.toString())

/**
 * IPv6 as a translator or tunnel reads it: the IPv4 address within decides. Ranges are those of IANA's registry of
 * special-purpose addresses, as ipaddr.js has them.
 */
function isInnerIpv6(address: ipaddr.IPv6): boolean {
  const bytes = address.toByteArray()
  // ::/96, which holds IPv4-compatible addresses, loopback and no address at all (RFC 4291, 2.5.5.1).
  if (bytes.slice(0, 12).every((byte) => byte === 0)) return true
  switch (address.range()) {
    case 'ipv4Mapped':
    case 'rfc6145':
      return isInnerIpv4(ipv4At(bytes, 12))
    case 'rfc6052':
      // 64:ff9b:1::/48 is for translators within a network (RFC 8215).
      return bytes[5] === 1 || isInnerIpv4(ipv4At(bytes, 12))
    case '6to4':
      return isInnerIpv4(ipv4At(bytes, 2))
    case 'teredo': {
      const client = new ipaddr.IPv4(bytes.slice(12).map((byte) => byte ^ 0xff))
      return isInnerIpv4(ipv4At(bytes, 4)) || isInnerIpv4(client)
    }
    case 'unicast':
      // Global addresses are given out of 2000::/3 alone.
      return (bytes[0]! & 0xe0) !== 0x20
    default:
      return true
  }
}

/** Is this IP address one that the public network does not reach? What is no IP address counts as inner. */
export function isInnerAddress(address: string): boolean {
  const plain = address.replace(/^\[|\]$/g, '').split('%', 1)[0]!
  if (!ipaddr.IPv4.isValidFourPartDecimal(plain) && !ipaddr.IPv6.isValid(plain)) return true
  const parsed = ipaddr.parse(plain)
  return parsed instanceof ipaddr.IPv4 ? isInnerIpv4(parsed) : isInnerIpv6(parsed)
}

/**
 * Inner hosts (`host:port`) that a run may reach, each with the addresses that its name had when the user named it, and
 * no others. A page under check can name any address as its picture; it must not make this machine ask its own network,
 * and neither may a name whose owner points it elsewhere in the meantime.
 */
export type InnerHosts = ReadonlyMap<string, ReadonlySet<string>>

export const noInnerHosts: InnerHosts = new Map()

/** `host:port` of an address, the port written out. */
export const hostAndPort = (url: string): string => hostAndPortOf(new URL(url))

export function hostAndPortOf({ hostname, port, protocol }: URL): string {
  return `${hostname}:${port || (protocol === 'https:' ? '443' : '80')}`
}
