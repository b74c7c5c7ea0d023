import { pathOn } from '../address'
import type { Level } from '../model'
import { escapeXml, groupBy } from '../text'
import { type LocatedFinding, locatedFindings } from './located'
import { type PaperOptions, paperLines, plainPaper, verdictLine, waiverWords } from './paper'
import type { RunDocument } from './run-document'
import { isFailure } from './verdict'

const attributes = (values: Record<string, string | number>) =>
  Object.entries(values)
    .map(([name, value]) => ` ${name}="${escapeXml(String(value))}"`)
    .join('')

function lineOf({ finding, state, waiver }: LocatedFinding): string {
  const { rule, line, message, fix } = finding
  const before = state === 'new' ? '' : state === 'known' ? 'known before: ' : `waived ${waiverWords(waiver!)} – `
  return `${before}${rule}${line === null ? '' : `, line ${line}`}: ${message} ${fix}`
}

const linesOf = (findings: readonly LocatedFinding[]) => findings.map((one) => escapeXml(lineOf(one))).join('\n')

type Case = { name: string; file: string | null; seconds: number; findings: LocatedFinding[] }
type Outcome = 'failed' | 'skipped' | 'passed'

/**
 * Splits what was found in a case: `failing` is new and counts; `setAside` is known before or waived, whether or not it
 * would count; the rest is only told.
 */
function sortOut({ findings }: Case, failOn: Level | 'never') {
  const counts = ({ finding }: LocatedFinding) => isFailure(finding.level, failOn)
  const failing = findings.filter((one) => one.state === 'new' && counts(one))
  const setAside = findings.filter((one) => one.state !== 'new')
  const told = findings.filter((one) => one.state === 'new' && !counts(one))
  const outcome: Outcome = failing.length > 0 ? 'failed' : setAside.length > 0 ? 'skipped' : 'passed'
  return { failing, setAside, told, outcome }
}

function caseXml(one: Case, suite: string, failOn: Level | 'never'): string {
  const { name, file, seconds } = one
  const { failing, setAside, told, outcome } = sortOut(one, failOn)
  const [first] = failing
  const result = first
    ? `<failure${attributes({ message: first.finding.message, type: first.finding.rule })}>${linesOf(failing)}</failure>`
    : outcome === 'skipped'
      ? `<skipped${attributes({ message: setAside.map(lineOf).join('\n') })}/>`
      : ''
  const output = [...told, ...(outcome === 'failed' ? setAside : [])]
  const said = output.length === 0 ? '' : `<system-out>${linesOf(output)}</system-out>`
  const own = { name, classname: suite, ...(file === null ? {} : { file }), time: seconds.toFixed(3) }
  return `    <testcase${attributes(own)}>${result}${said}</testcase>`
}

function suiteXml(name: string, cases: readonly Case[], failOn: Level | 'never'): string {
  const outcomes = cases.map((one) => sortOut(one, failOn).outcome)
  const number = (outcome: Outcome) => outcomes.filter((one) => one === outcome).length
  const time = cases.reduce((sum, { seconds }) => sum + seconds, 0)
  const counts = { tests: cases.length, failures: number('failed'), errors: 0, skipped: number('skipped') }
  const head = attributes({ name, ...counts, time: time.toFixed(3) })
  return `  <testsuite${head}>\n${cases.map((one) => caseXml(one, name, failOn)).join('\n')}\n  </testsuite>`
}

/** Name of the suite that says what the whole run is worth. */
export const RUN_SUITE = 'the run'
/** Name of the suite of findings across pages, which belong to no section. */
export const SITE_SUITE = 'across the site'

/** What was not read or not seen, each with its kind. */
const lacksOf = ({ incomplete, summary }: RunDocument): { why: string; message: string }[] => [
  ...incomplete,
  ...(summary.unseen ?? []).map(({ url, reason }) => ({ why: 'unseen', message: `Not seen: ${url}. ${reason}` })),
]

/** The run itself as a suite: what is to be known of it, and a case that is an error where not everything was read. */
function runSuiteXml(document: RunDocument): string {
  const lines = [{ kind: 'verdict', text: verdictLine(document) }, ...paperLines(document)]
  const properties = lines.map(({ kind, text }) => `<property${attributes({ name: kind, value: text })}/>`).join('')
  const lacks = lacksOf(document)
  const errors = lacks.length === 0 ? 0 : 1
  const [first] = lacks
  const error = first
    ? `<error${attributes({ message: first.message, type: first.why })}>${escapeXml(lacks.map(({ message }) => message).join('\n'))}</error>`
    : ''
  const head = attributes({ name: RUN_SUITE, tests: 1, failures: 0, errors, skipped: 0, time: '0.000' })
  const own = attributes({ name: 'everything was read', classname: RUN_SUITE, time: '0.000' })
  return `  <testsuite${head}>\n    <properties>${properties}</properties>\n    <testcase${own}>${error}</testcase>\n  </testsuite>`
}

/**
 * Pages as JUnit XML: a suite a section, a case a page. A case fails where the page has a new finding that counts, and
 * is skipped where none does and something is known before or waived.
 */
export function* junitPieces(document: RunDocument, { failOn }: PaperOptions = plainPaper): Generator<string> {
  const { site } = document.source
  const located = locatedFindings(document)
  const isOfPage = new Set(document.pages.flatMap(({ findings, waived = [] }) => [...findings, ...waived]))
  const ofPages = groupBy(
    located.filter(({ finding }) => isOfPage.has(finding)),
    ({ url }) => url,
  )
  const suites = [...groupBy(document.pages, ({ section }) => section)].map(([section, pages]) => {
    const cases = pages.map(
      ({ url, file, fetch }): Case => ({
        name: pathOn(url, site),
        file: file ?? null,
        seconds: fetch.ms / 1000,
        findings: ofPages.get(url) ?? [],
      }),
    )
    return [section, cases] as const
  })
  const across = located
    .filter(({ finding }) => !isOfPage.has(finding))
    .map((one): Case => ({ name: one.finding.rule, file: null, seconds: 0, findings: [one] }))
  const all = across.length > 0 ? [...suites, [SITE_SUITE, across] as const] : suites
  const outcomes = all.flatMap(([, list]) => list).map((one) => sortOut(one, failOn).outcome)
  const head = attributes({
    name: `nimble-parrot ${site}`,
    tests: outcomes.length + 1,
    failures: outcomes.filter((one) => one === 'failed').length,
    errors: lacksOf(document).length === 0 ? 0 : 1,
  })
  yield `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites${head}>\n${runSuiteXml(document)}\n`
  for (const [name, list] of all) yield `${suiteXml(name, list, failOn)}\n`
  yield '</testsuites>\n'
}

/** The same as one text. */
export const runAsJunit = (document: RunDocument, options?: PaperOptions): string =>
  [...junitPieces(document, options)].join('')
