import type { Finding } from '../model'
import type { RunDocument } from './run-document'

export type DocumentPage = RunDocument['pages'][number]

/** One finding where it stands: what lists of findings (CSV, SARIF) are made of. */
export type LocatedFinding = { finding: Finding; page: DocumentPage | null; url: string }

/** A page's path on the site; its whole address where it lies elsewhere. */
export const pathOn = (url: string, site: string): string => (url.startsWith(site) ? `/${url.slice(site.length)}` : url)

/** Every finding, page by page; those across pages stand at the first page that they name. */
export function locatedFindings(document: RunDocument): LocatedFinding[] {
  const pages = new Map(document.pages.map((page) => [page.url, page]))
  const ofPages = document.pages.flatMap((page) => page.findings.map((finding) => ({ finding, page, url: page.url })))
  const ofSite = document.findings.map((finding) => {
    const url = finding.pages[0] ?? document.source.site
    return { finding, page: pages.get(url) ?? null, url }
  })
  return [...ofPages, ...ofSite]
}
