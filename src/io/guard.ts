import { BlockList, isIP } from 'node:net'

/** Ranges that only a machine or its own network reaches: loopback, private, link-local, metadata, reserved. */
const inner = new BlockList()
for (const [net, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['224.0.0.0', 3],
] as const) {
  inner.addSubnet(net, bits, 'ipv4')
}
for (const [net, bits] of [
  ['::', 128],
  ['::1', 128],
  ['64:ff9b::', 96],
  ['fc00::', 7],
  ['fe80::', 10],
  ['ff00::', 8],
] as const) {
  inner.addSubnet(net, bits, 'ipv6')
}

/** The IPv4 address inside a mapped IPv6 one (`::ffff:7f00:1` → `127.0.0.1`); null for any other. */
function mappedIpv4(address: string): string | null {
  const dotted = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)
  if (dotted) return dotted[1]!
  const hex = /^::ffff:([0-9a-f]{1,4}):([0-9a-f]{1,4})$/i.exec(address)
  if (!hex) return null
  const [high, low] = [Number.parseInt(hex[1]!, 16), Number.parseInt(hex[2]!, 16)]
  return [high >> 8, high & 255, low >> 8, low & 255].join('.')
}

/** Is this IP address one that the public network does not reach? What is no IP address counts as inner. */
export function isInnerAddress(address: string): boolean {
  const plain = address.replace(/^\[|\]$/g, '').replace(/%.*$/, '')
  const mapped = mappedIpv4(plain)
  if (mapped) return inner.check(mapped, 'ipv4')
  const family = isIP(plain)
  return family === 0 || inner.check(plain, family === 6 ? 'ipv6' : 'ipv4')
}

/**
 * Which inner hosts a run may reach: the one that the user named, and no other. A page under check can name any
 * address as its picture; it must not make this machine ask its own network.
 */
export type InnerHosts = ReadonlySet<string>

/** `host:port` of an address, the port written out. */
export const hostAndPort = (url: string): string => hostAndPortOf(new URL(url))

export function hostAndPortOf({ hostname, port, protocol }: URL): string {
  return `${hostname}:${port || (protocol === 'https:' ? '443' : '80')}`
}
