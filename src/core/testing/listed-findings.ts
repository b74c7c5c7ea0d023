import type { Verdict } from '../check'
import type { Finding } from '../model'

/** What tells the findings of a verdict apart, wherever their lines are by now; in order. */
export function listedFindings({ pages, findings }: Pick<Verdict, 'pages' | 'findings'>): string[] {
  const keyOf = (where: string, { rule, said, image, data }: Finding) =>
    `${where} ${rule} ${said} ${image ?? ''} ${data?.['key'] ?? ''}`
  return [
    ...pages.flatMap((page) => page.findings.map((finding) => keyOf(page.url, finding))),
    ...findings.map((finding) => keyOf(finding.pages.join(), finding)),
  ].sort()
}
