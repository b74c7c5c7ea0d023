import type { Finding, GatheredPage, Gathering, PageFacts, SiteFinding, Skipped, Summary } from '../model'
import { type CheckContext, createCheckContext } from './context'
import { type Check, fillWords, type NotMade, type Raised } from './define-check'
import { checks as allChecks } from './rules'

/** What was said of one page. */
export type PageVerdict = { url: string; section: string; findings: Finding[]; skipped: Skipped[] }

/** What was said of a run: each page, the site, and the sum. */
export type Verdict = { pages: PageVerdict[]; findings: SiteFinding[]; summary: Summary }

function findingOf(check: Check, raised: Raised): Finding {
  const message = check.messages[raised.message]
  if (!message) throw new Error(`Check ${check.id} has no message “${raised.message}”.`)
  return {
    rule: check.id,
    level: raised.level ?? check.level,
    message: fillWords(message.says, raised.data),
    fix: fillWords(message.fix, raised.data),
    line: raised.at?.line ?? null,
    column: raised.at?.column ?? null,
    ...(raised.image === undefined ? {} : { image: raised.image }),
  }
}

const isNotMade = (outcome: unknown[] | NotMade): outcome is NotMade => 'skipped' in outcome

function isReadable(page: GatheredPage): page is GatheredPage & { facts: PageFacts } {
  return page.facts !== null
}

/** All checks that look at single pages, on one page. A page that could not be read is checked for access only. */
export function checkPage(
  page: GatheredPage,
  context: CheckContext,
  checks: readonly Check[] = allChecks,
): Omit<PageVerdict, 'section'> {
  const findings: Finding[] = []
  const skipped: Skipped[] = []
  for (const check of checks) {
    if (check.scope === 'site') continue
    if (check.scope !== 'access' && !isReadable(page)) {
      skipped.push({ rule: check.id, reason: 'page-not-read' })
      continue
    }
    const outcome = check.check(page as GatheredPage & { facts: PageFacts }, context)
    if (isNotMade(outcome)) skipped.push({ rule: check.id, reason: outcome.skipped })
    else for (const raised of outcome) findings.push(findingOf(check, raised))
  }
  return { url: page.url, findings: sortFindings(findings), skipped }
}

const WEIGHT = { error: 0, warning: 1, note: 2 } as const

/** Errors first, then by line. */
function sortFindings<T extends Finding>(findings: T[]): T[] {
  return findings.sort((a, b) => WEIGHT[a.level] - WEIGHT[b.level] || (a.line ?? 0) - (b.line ?? 0))
}

/** Checks across pages. */
export function checkSite(context: CheckContext, checks: readonly Check[] = allChecks): SiteFinding[] {
  const findings = checks.flatMap((check): SiteFinding[] => {
    if (check.scope !== 'site') return []
    const outcome = check.check(context)
    return isNotMade(outcome) ? [] : outcome.map((raised) => ({ ...findingOf(check, raised), pages: raised.pages }))
  })
  return sortFindings(findings)
}

/** Counts every finding once: one about a picture once for all pages that use it. */
export function summarize(pages: readonly Pick<PageVerdict, 'findings'>[], site: readonly Finding[]): Summary {
  const summary: Summary = { pages: pages.length, error: 0, warning: 0, note: 0, clear: true }
  const imageRules = new Set(allChecks.filter((check) => check.scope === 'image').map((check) => check.id))
  const counted = new Set<string>()
  for (const finding of [...pages.flatMap((page) => page.findings), ...site]) {
    if (finding.image !== undefined && imageRules.has(finding.rule)) {
      const key = `${finding.rule} ${finding.image}`
      if (counted.has(key)) continue
      counted.add(key)
    }
    summary[finding.level]++
  }
  return { ...summary, clear: summary.error === 0 }
}

/** Every check on everything that was gathered. Pure: the same run gives the same verdict. */
export function runChecks(gathering: Gathering, context: CheckContext = createCheckContext(gathering)): Verdict {
  const pages = context.pages.map((page) => ({
    ...checkPage(page, context),
    section: context.sections.get(page.url) ?? '/',
  }))
  const findings = checkSite(context)
  return { pages, findings, summary: summarize(pages, findings) }
}
