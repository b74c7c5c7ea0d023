import { siteInWords } from '../address'
import { checkOf, countFindings, subjectOf } from '../check'
import type { ReadDocument } from '../document'
import type { Finding, Level, SiteFinding } from '../model'

/** Findings that a run has already, by what they are about: lines may move. */
export type Baseline = { site: string; startedAt: string; keys: ReadonlySet<string> }

export type BaselineCounts = Record<Level, number>

type Found = Pick<Finding, 'rule' | 'image' | 'level'>

const keyOf = (url: string, { rule, image }: Pick<Found, 'rule' | 'image'>) => `${rule}\n${url}\n${image ?? ''}`

type FoundOnSite = Pick<SiteFinding, 'rule' | 'level' | 'pages' | 'image' | 'data'>
type FoundAcross = Pick<Found, 'rule' | 'image'> & { about?: string | undefined }
const keyAcross = ({ rule, about = '' }: FoundAcross) => `${rule}\nacross\n${about}`
const missingKey = (url: string) => `missing\n${url}`
const isOfEachPage = ({ rule }: Pick<Found, 'rule'>) => checkOf(rule)?.isOfEachPage === true

/** The baseline that a run document is. Findings that were waived then are known as well: they were looked at. */
export function baselineOf({ source, startedAt, pages, findings, waived = [], missing = [] }: ReadDocument): Baseline {
  const keys = new Set<string>()
  for (const page of pages) for (const one of [...page.findings, ...(page.waived ?? [])]) keys.add(keyOf(page.url, one))
  for (const one of [...findings, ...waived])
    for (const url of isOfEachPage(one) ? one.pages : []) keys.add(keyOf(url, one))
  // One across pages is known by what it is about: pages come and go.
  for (const one of [...findings, ...waived]) keys.add(keyAcross(one))
  for (const { url } of missing) keys.add(missingKey(url))
  return { site: source.site, startedAt, keys }
}

/** Why a run document can be no baseline for a run of this site; null when it can. */
export function unfitAsBaseline(document: ReadDocument, site: string): string | null {
  if (document.source.site !== site) {
    return `It is of another site, ${siteInWords(document.source.site)}, and this run is of ${siteInWords(site)}. Give --site where the two are the same.`
  }
  const [first] = document.incomplete ?? []
  return first ? `It is of a run that is not complete: ${first.message}` : null
}

/** What a run has beyond its baseline, counted as a summary counts: a picture's finding once. */
export function sinceBaseline(
  { startedAt, keys }: Baseline,
  pages: readonly { url: string; findings: readonly Found[] }[],
  site: readonly FoundOnSite[],
  missing: readonly { url: string }[] = [],
) {
  const isNewOn = (url: string, finding: Found) => !keys.has(keyOf(url, finding))
  const isMissingNew = missing.some(({ url }) => !keys.has(missingKey(url)))
  const isNewAcross = (finding: FoundOnSite) => {
    if (!keys.has(keyAcross({ rule: finding.rule, about: subjectOf(finding) }))) return true
    if (checkOf(finding.rule)?.scope === 'access') return isMissingNew
    return isOfEachPage(finding) && finding.pages.some((url) => isNewOn(url, finding))
  }
  // A picture that another page of the baseline shares is no new fault of it: it counts once, where it is new.
  const isKnownPicture = (finding: Found) => finding.image !== undefined && checkOf(finding.rule)?.scope === 'image'
  const fresh = pages.map(({ url, findings }) => ({ findings: findings.filter((one) => isNewOn(url, one)) }))
  const counted = countFindings(fresh, site.filter(isNewAcross))
  const newPictures = new Set(fresh.flatMap(({ findings }) => findings.filter(isKnownPicture).map(pictureKey)))
  const old = pages.map(({ url, findings }) => ({
    findings: findings.filter((one) => !isNewOn(url, one) && !newPictures.has(pictureKey(one))),
  }))
  const known = countFindings(
    old,
    site.filter((finding) => !isNewAcross(finding)),
  )
  return { of: startedAt, new: counted, known, isNewOn, isNewAcross }
}

const pictureKey = ({ rule, image }: Pick<Found, 'rule' | 'image'>) => `${rule} ${image ?? ''}`
