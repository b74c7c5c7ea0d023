import { checkOf } from '../check'
import type { Finding, SiteFinding } from '../model'

/** What is said of a page's tags is the same whatever image they name. */
const keyOf = ({ rule, image, data }: Finding) =>
  `${rule}\n${checkOf(rule)?.scope === 'image' ? (image ?? '') : ''}\n${data?.['key'] ?? ''}`

/** Findings of the first list that the second does not have, each counted. */
export function without(findings: readonly Finding[], others: readonly Finding[]): Finding[] {
  if (findings.length === 0) return []
  const left = new Map<string, number>()
  for (const one of others) left.set(keyOf(one), (left.get(keyOf(one)) ?? 0) + 1)
  return findings.filter((finding) => {
    const count = left.get(keyOf(finding)) ?? 0
    if (count > 0) left.set(keyOf(finding), count - 1)
    return count === 0
  })
}

/** What tells two findings across pages of one check apart. */
export function siteKeyOf({ rule, said, image, data }: SiteFinding): string {
  return JSON.stringify([rule, said, image, data?.['text'], data?.['section'], data?.['key']])
}
