import { pathOf } from '../address'
import type { GatheredPage, RunNote } from '../model'
import { addTo, plural } from '../text'
import type { CheckContext } from './context'
import type { Check } from './define-check'

/** What a requirement took away from what would have been found: on how many pages, and how many findings. */
type Taken = { pages: Set<string>; findings: number }

const add = (all: Map<string, Taken>, name: string, urls: readonly string[], findings: number) => {
  const taken = all.get(name) ?? { pages: new Set(), findings: 0 }
  all.set(name, taken)
  for (const url of urls) taken.pages.add(url)
  taken.findings += findings
}

const raisedBy = (check: Check, page: GatheredPage, context: CheckContext): number => {
  if (check.scope === 'site' || (check.scope !== 'access' && page.facts === null)) return 0
  const outcome = check.check(page as never, context)
  return Array.isArray(outcome) ? outcome.length : 0
}

/**
 * What the requirements exempt, a line each with what it took away: sections that are never shared, checks that are
 * off, answers of people. A reader of a verdict sees by it what the verdict does not rest on.
 *
 * @param isAboutSharing is a check one that a page which is never shared is not asked?
 */
export function takenAway(
  context: CheckContext,
  checks: readonly Check[],
  isAboutSharing: (check: Check) => boolean,
): RunNote[] {
  const { requirements, pages, sections } = context
  const exempt = new Map<string, Taken>()
  const off = new Map<string, Taken>()
  // Without a word on levels or sections nothing is exempt, and no page has to be gone through.
  const { levels, kinds, sections: rules } = requirements
  for (const page of levels || kinds || rules ? pages : []) {
    const rule = context.ruleFor(page)
    for (const check of checks) {
      const isOff = rule.levels[check.id] === 'off'
      const isExempt = rule.isNotShared && isAboutSharing(check)
      if (!isOff && !isExempt) continue
      const findings = raisedBy(check, page, context)
      if (isExempt) add(exempt, sections.get(page.url) ?? '/', [page.url], findings)
      else if (findings > 0) add(off, check.id, [page.url], findings)
    }
  }
  for (const check of checks) {
    if (check.scope !== 'site' || requirements.levels?.[check.id] !== 'off') continue
    const outcome = check.check(context)
    if (Array.isArray(outcome) && outcome.length > 0)
      add(
        off,
        check.id,
        outcome.flatMap(({ pages: urls }) => urls),
        outcome.length,
      )
  }
  const counted = ({ pages: urls, findings }: Taken) =>
    `${plural(findings, 'finding')} on ${plural(urls.size, 'page')} not counted`
  const note = (message: string): RunNote => ({ kind: 'requirements', message })
  return [
    ...[...exempt].map(([section, taken]) => note(`Exempt, never shared: ${section}. ${counted(taken)}.`)),
    ...[...off].map(([id, taken]) => note(`Check off: ${id}. ${counted(taken)}.`)),
    ...answersNote(context).map(note),
  ]
}

/** How many questions people answered, and who. */
function answersNote({ requirements, pages }: CheckContext): string[] {
  const answers = requirements.answers ?? []
  if (answers.length === 0) return []
  const by = new Map<string, string[]>()
  const paths = new Set(pages.map(({ url }) => pathOf(url).split('?')[0]!))
  for (const one of answers) if (paths.has(one.page) || one.section !== undefined) addTo(by, one.by, one.answer)
  const said = [...by].map(([name, own]) => {
    const yes = own.filter((answer) => answer === 'yes').length
    return `${name} ${yes} yes, ${own.length - yes} no`
  })
  return said.length > 0 ? [`People’s answers that count: ${said.join('; ')}.`] : []
}
