/** Is this server meant for others than the person at this machine? Then no inner address is fetched for anyone. */
export const isExposed = () => process.env.NIMBLE_PARROT_PUBLIC === '1'

/** Inner hosts that a run may reach: those that the user named, unless the server is exposed. */
export function reachableInnerHosts(named: Iterable<string>): ReadonlySet<string> {
  return new Set(isExposed() ? [] : named)
}
