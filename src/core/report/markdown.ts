import { pathOn } from '../address'
import type { Cause } from '../cause'
import { escapeText, plural, visible } from '../text'
import {
  CAUSES_SHOWN,
  countWords,
  editWords,
  fixesWords,
  type PaperLine,
  type PaperOptions,
  paperLines,
  printedCauses,
  proofWords,
  VERDICT_TITLES,
} from './paper'
import type { RunDocument } from './run-document'

/** A comment on a pull request holds so many characters at most; some room is left for what surrounds it. */
const MAX_CHARACTERS = 60_000
/** Pages named under a cause before the rest is counted. */
const PAGES_NAMED = 10

/** A number that would begin a list. */
const LIST_NUMBER = /^(\d{1,9})([.)])/

/** Text that Markdown takes for nothing else: titles of pages are strangers’ words. */
export function escapeMarkdown(text: string): string {
  return visible(text.replace(/\s+/g, ' ').trim())
    .replace(/[\\`*_{}[\]<>()#+!|~@&=-]/g, (sign) => (sign === '@' ? '@\u200B' : `\\${sign}`))
    .replace(LIST_NUMBER, '$1\\$2')
}

/** Code that may hold backticks itself. */
function codeSpan(value: string): string {
  const text = visible(value)
  const longest = Math.max(0, ...[...text.matchAll(/`+/g)].map(([ticks]) => ticks.length))
  const fence = '`'.repeat(longest + 1)
  const pad = text.startsWith('`') || text.endsWith('`') ? ' ' : ''
  return `${fence}${pad}${text}${pad}${fence}`
}

function causeLines(cause: Cause, site: string): string[] {
  const { error, warning, note } = cause.clears
  const clears = [error && plural(error, 'error'), warning && plural(warning, 'warning'), note && plural(note, 'note')]
    .filter(Boolean)
    .join(', ')
  const named = cause.pages.slice(0, PAGES_NAMED).map((url) => codeSpan(pathOn(url, site)))
  const rest = cause.pages.length - named.length
  const pages = `${named.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`
  return [
    `<details><summary><b>${cause.level}</b> ${escapeHtmlText(cause.change)} <i>${clears}</i></summary>`,
    '',
    `${plural(cause.pages.length, 'page')}: ${pages}`,
    '',
    `Checks: ${cause.rules.map(codeSpan).join(', ')}. ${escapeMarkdown(`${proofWords(cause)}.`)}`,
    ...cause.edits.slice(0, PAGES_NAMED).map((edit) => `- ${escapeMarkdown(editWords(edit))}`),
    ...(cause.snippet ? ['', ...fenced(cause.snippet)] : []),
    '',
    '</details>',
    '',
  ]
}

function fenced(snippet: string): string[] {
  const code = snippet.split('\n').map(visible).join('\n')
  const longest = Math.max(2, ...[...code.matchAll(/`+/g)].map(([ticks]) => ticks.length))
  const fence = '`'.repeat(longest + 1)
  return [`${fence}html`, code, fence]
}

/** Text inside an HTML block, where Markdown's signs are only signs. A name after @ would still call somebody. */
const escapeHtmlText = (text: string) => escapeText(visible(text.replace(/\s+/g, ' '))).replaceAll('@', '@\u200B')

/** What is to be known beside the findings: notes as they are, what bears on the verdict in bold. */
const lineOf = ({ kind, text }: PaperLine) =>
  kind === 'note' ? `> ${escapeMarkdown(text)}` : `> **${escapeMarkdown(text)}**`

/** A run as a comment on a pull request: the verdict, then the causes, the gravest first, as many as fit. */
export function runAsMarkdown(document: RunDocument, { all = false }: Partial<PaperOptions> = {}): string {
  const { summary, source } = document
  const causes = printedCauses(document)
  const told = paperLines(document).flatMap((line) => [lineOf(line), '>'])
  const head = [
    `### ${VERDICT_TITLES[summary.verdict]}: ${countWords(summary)}${summary.waived > 0 ? `, ${summary.waived} waived` : ''}`,
    '',
    `${escapeMarkdown(source.site)}, ${plural(summary.pages, 'page')}. ${causes.length === 0 ? 'Nothing to mend.' : `${document.baseline ? 'Of what is new: ' : ''}${fixesWords(causes)}`}`,
    '',
    ...told.slice(0, -1),
    ...(told.length > 0 ? [''] : []),
  ]
  const lines = [...head]
  let length = lines.join('\n').length
  let shown = 0
  for (const cause of all ? causes : causes.slice(0, CAUSES_SHOWN)) {
    const own = causeLines(cause, source.site)
    length += own.join('\n').length + 1
    if (length > MAX_CHARACTERS) break
    lines.push(...own)
    shown++
  }
  if (shown < causes.length)
    lines.push(`… and ${plural(causes.length - shown, 'more change')}; the whole list is in the JSON document.`)
  return `${lines.join('\n').trimEnd()}\n`
}
