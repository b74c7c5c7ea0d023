import type { TakenOn } from '../model'
import type { RunDocument, StatedFinding } from './run-document'

type DocumentPage = RunDocument['pages'][number]

/** What became of a finding: new is also what no baseline was held against. */
type FindingState = 'new' | 'known' | 'waived'

/** One finding where it stands: what lists of findings (CSV, SARIF) are made of. */
export type LocatedFinding = {
  finding: StatedFinding
  page: DocumentPage | null
  url: string
  state: FindingState
  /** The baseline does not have it; true also where there is no baseline. */
  isNew: boolean
  waiver: TakenOn | null
}

/** Every finding, waived ones too, page by page; those across pages stand at the first page that they name. */
export function locatedFindings(document: RunDocument): LocatedFinding[] {
  const pages = new Map(document.pages.map((page) => [page.url, page]))
  const isNew = ({ state }: StatedFinding) => state !== 'known'
  const left = (finding: StatedFinding) => ({
    finding,
    state: finding.state ?? ('new' as const),
    isNew: isNew(finding),
    waiver: null,
  })
  const taken = (finding: StatedFinding & { waiver: TakenOn }) => ({
    finding,
    state: 'waived' as const,
    isNew: isNew(finding),
    waiver: finding.waiver,
  })
  const ofPages = document.pages.flatMap((page) =>
    [...page.findings.map(left), ...(page.waived ?? []).map(taken)].map((one) => ({ ...one, page, url: page.url })),
  )
  const across = [
    ...document.findings.map((finding) => ({ ...left(finding), pages: finding.pages })),
    ...(document.waived ?? []).map((finding) => ({ ...taken(finding), pages: finding.pages })),
  ]
  const ofSite = across.map(({ pages: named, ...one }) => {
    const url = named[0] ?? document.source.site
    return { ...one, page: pages.get(url) ?? null, url }
  })
  return [...ofPages, ...ofSite]
}
