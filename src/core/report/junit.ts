import { groupBy } from '../group-by'
import type { Finding } from '../model'
import { escapeXml } from './escape-xml'
import { type DocumentPage, pathOn } from './located'
import type { RunDocument } from './run-document'

const attributes = (values: Record<string, string | number>) =>
  Object.entries(values)
    .map(([name, value]) => ` ${name}="${escapeXml(String(value))}"`)
    .join('')

const lineOf = ({ rule, line, message, fix }: Finding) =>
  `${rule}${line === null ? '' : `, line ${line}`}: ${message} ${fix}`

type Case = { name: string; file: string | null; seconds: number; findings: Finding[] }

function caseXml({ name, file, seconds, findings }: Case, suite: string): string {
  const errors = findings.filter(({ level }) => level === 'error')
  const others = findings.filter(({ level }) => level === 'warning')
  const failure =
    errors.length === 0
      ? ''
      : `<failure${attributes({ message: errors[0]!.message, type: errors[0]!.rule })}>${escapeXml(errors.map(lineOf).join('\n'))}</failure>`
  const output = others.length === 0 ? '' : `<system-out>${escapeXml(others.map(lineOf).join('\n'))}</system-out>`
  const own = { name, classname: suite, ...(file === null ? {} : { file }), time: seconds.toFixed(3) }
  return `    <testcase${attributes(own)}>${failure}${output}</testcase>`
}

const caseOf = (page: DocumentPage, site: string): Case => ({
  name: pathOn(page.url, site),
  file: page.file ?? null,
  seconds: page.fetch.ms / 1000,
  findings: page.findings,
})

function suiteXml(name: string, cases: readonly Case[]): string {
  const failures = cases.filter(({ findings }) => findings.some(({ level }) => level === 'error')).length
  const time = cases.reduce((sum, { seconds }) => sum + seconds, 0)
  const head = attributes({ name, tests: cases.length, failures, errors: 0, skipped: 0, time: time.toFixed(3) })
  return `  <testsuite${head}>\n${cases.map((one) => caseXml(one, name)).join('\n')}\n  </testsuite>`
}

/** Pages as JUnit XML: a suite a section, a case a page that fails where the page has an error. */
export function runAsJunit(document: RunDocument): string {
  const { site } = document.source
  const suites = [...groupBy(document.pages, ({ section }) => section)].map(
    ([section, pages]) => [section, pages.map((page) => caseOf(page, site))] as const,
  )
  // What is said across pages belongs to no section.
  const across = document.findings.map(
    (finding): Case => ({ name: finding.rule, file: null, seconds: 0, findings: [finding] }),
  )
  const all = across.length > 0 ? [...suites, ['across the site', across] as const] : suites
  const cases = all.flatMap(([, list]) => list)
  const failures = cases.filter(({ findings }) => findings.some(({ level }) => level === 'error')).length
  const head = attributes({ name: `nimble-parrot ${site}`, tests: cases.length, failures, errors: 0 })
  const body = all.map(([name, list]) => suiteXml(name, list)).join('\n')
  return `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites${head}>\n${body}\n</testsuites>\n`
}
