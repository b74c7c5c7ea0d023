import { isNamedSite, pathOn } from '../address'
import type { Cause } from '../cause'
import type { Level } from '../model'
import { plural, terminalText } from '../text'
import {
  CAUSES_SHOWN,
  editWords,
  fixesWords,
  type PaperLine,
  type PaperOptions,
  paperLines,
  printedCauses,
  proofWords,
  verdictLine,
} from './paper'
import type { RunDocument } from './run-document'

/** How levels are set off on a terminal; plain text elsewhere. */
export type Style = (level: Level | 'quiet' | 'strong', text: string) => string

const plainStyle: Style = (_level, text) => text

/** Pages named under a cause before the rest is counted, and edits. */
const PAGES_NAMED = 3
const EDITS_NAMED = 2

const signs = ({ error, warning, note }: Cause['clears']) =>
  [error && plural(error, 'error'), warning && plural(warning, 'warning'), note && plural(note, 'note')]
    .filter(Boolean)
    .join(', ')

/** On a line that goes on beyond this column, the line alone does not say where to look. */
const FAR = 300

/** `:12`, on a long line `:12:4031`; empty where no line is known. */
function lineAndColumn(page: RunDocument['pages'][number] | undefined, line: number | null, rules: readonly string[]) {
  if (line === null || !page) return line === null ? '' : `:${line}`
  const onLine = [...(page.facts?.metas ?? []), ...(page.facts?.links ?? []), ...page.findings].filter(
    (one) => one.line === line,
  )
  const isLong = onLine.some(({ column }) => (column ?? 0) > FAR)
  const column = page.findings.find((one) => one.line === line && rules.includes(one.rule))?.column
  return isLong && column ? `:${line}:${column}` : `:${line}`
}

/** Checks named before the rest is counted: waivers and requirements take their ids. */
const RULES_NAMED = 3

function rulesNamed({ rule, rules }: Cause): string {
  const others = rules.filter((one) => one !== rule)
  const named = [rule, ...others].slice(0, RULES_NAMED)
  const rest = rules.length - named.length
  return `${named.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`
}

/** Where a cause shows: files with lines where the build is files, paths else. */
function placesOf(cause: Cause, document: RunDocument): string[] {
  const pages = new Map(document.pages.map((page) => [page.url, page]))
  const lines = new Map(cause.evidence.map(({ url, line }) => [url, line]))
  const sources = new Map(cause.evidence.map(({ url, source }) => [url, source]))
  return cause.pages.slice(0, PAGES_NAMED).map((url) => {
    const page = pages.get(url)
    const source = sources.get(url)
    if (source) return terminalText(`${source.file}${source.line === null ? '' : `:${source.line}`}`)
    const place = page?.file ?? pathOn(url, document.source.site)
    return terminalText(`${place}${lineAndColumn(page, lines.get(url) ?? null, cause.rules)}`)
  })
}

/** A cause in six lines at most: a log is read by people. */
function causeLines(cause: Cause, document: RunDocument, style: Style): string[] {
  const named = placesOf(cause, document)
  const rest = cause.pages.length - named.length
  const edits = cause.edits.length > EDITS_NAMED + 1 ? cause.edits.slice(0, EDITS_NAMED) : cause.edits
  const more = cause.edits.length - edits.length
  const isRuled = cause.edits.length > 0 && cause.edits[0]!.where !== 'picture' && cause.pages.length > 1
  return [
    `${style(cause.level, cause.level.padEnd(7))} ${style('strong', terminalText(cause.change))}`,
    `        ${style('quiet', terminalText(`clears ${signs(cause.clears)}; ${proofWords(cause)} [${rulesNamed(cause)}]`))}`,
    ...(isRuled
      ? [`        ${terminalText(edits.map(editWords).join(' · '))}${more > 0 ? ` · and ${more} more` : ''}`]
      : []),
    ...(named.length > 0 ? [`        ${named.join('  ')}${rest > 0 ? `  and ${rest} more` : ''}`] : []),
    '',
  ]
}

/** What to type where the site was inferred, and may be another. */
function siteHint({ site, siteOther }: RunDocument['source']): string {
  if (!isNamedSite(site)) return ' Say it with --site https://….'
  return siteOther ? ` If that is right, say --site ${siteOther.site}.` : ''
}

/** What to type where pages lie behind a login; nothing where none does. */
function loginHint({ pages, notes }: RunDocument): string[] {
  const isMet = notes.some(({ kind }) => kind === 'login-wanted')
  const isRefused = pages.some(({ fetch }) => fetch.status === 401 || fetch.status === 403)
  return isMet || isRefused ? ['Give the login with --user NAME:PASSWORD, or with --header “Name: value”.'] : []
}

/** What bears on the verdict is set off from what is only to be known. */
const told = ({ kind, text }: PaperLine, style: Style) =>
  kind === 'incomplete'
    ? style('error', terminalText(text))
    : kind === 'note'
      ? style('quiet', terminalText(text))
      : terminalText(text)

/**
 * A run in words, for a terminal or a log: the verdict, what it is worth, then the changes
 * that stand most in the way, and how many there are beside them. The last line is the verdict again: a log is read from its end.
 */
export function runAsText(
  document: RunDocument,
  { all = false }: Partial<PaperOptions> = {},
  style: Style = plainStyle,
): string {
  const { summary, source, pages } = document
  const sections = new Set(pages.map((page) => page.section)).size
  const from = source.location === source.site ? '' : `, from ${source.location}`
  const verdict = style(summary.clear ? 'strong' : 'error', verdictLine(document))
  const guessed = document.notes.find(({ kind }) => kind === 'site-guessed')?.message
  const site = guessed ?? `Site: ${source.site}`
  const causes = printedCauses(document)
  const shown = all ? causes : causes.slice(0, CAUSES_SHOWN)
  const left = causes.length - shown.length
  const lines = [
    verdict,
    style('strong', terminalText(`${site}${siteHint(source)}`)),
    `${plural(summary.pages, 'page')} in ${plural(sections, 'section')}, ${plural(document.images.length, 'picture')}${terminalText(from)}`,
    ...paperLines(document)
      .filter(({ text }) => text !== site)
      .map((line) => told(line, style)),
    ...(causes.length > 0 ? [fixesWords(causes)] : []),
    ...loginHint(document),
    '',
    ...shown.flatMap((cause) => causeLines(cause, document, style)),
    ...(left > 0 ? [`and ${plural(left, 'more change')}; --all prints them, the JSON document holds them.`, ''] : []),
    verdict,
  ]
  return `${lines.join('\n')}\n`
}
