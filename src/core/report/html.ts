import { pathOn } from '../address'
import { type Cause, tallyOf } from '../cause'
import { LEVELS, type Level } from '../model'
import { sectionName } from '../section'
import { faceOf, placeDifferences } from '../surface'
import { escapeAttribute, escapeText, plural, shownTime, visible } from '../text'
import {
  CAUSES_SHOWN,
  countWords,
  editWords,
  type PaperLine,
  type PaperOptions,
  paperLines,
  printedCauses,
  proofWords,
  VERDICT_TITLES,
} from './paper'
import { plainChange } from './plain-change'
import { cardPainter, errorsOf, type ReportCard, type ReportSection, reportSections, startCards } from './report-cards'
import { REPORT_STYLE } from './report-style'
import type { RunDocument } from './run-document'

/** A value as text of the report. */
const text = (value: string) => escapeText(visible(value))

const SIGN: Record<Level, string> = { error: '▲', warning: '◆', note: '●' }

/** Changes on a page that has room for no more. */
const CHANGES_ON_ONE_PAGE = 6
/** Pages of a section that are named, where they are not drawn. */
const MOST_NAMED = 100
/** Paths and edits of a change named before the rest is counted. */
const NAMED = 10

const SENTENCES = {
  clear: 'When somebody shares a link to any page, a good card appears. Nothing stands in the way.',
  'not-clear': 'When somebody shares a link to some of the pages, the card is wrong or missing.',
  'not-known': 'No error was found, but not everything that decides the cards was read or seen.',
} as const

const lineHtml = ({ kind, text: said }: PaperLine) =>
  `<li${kind === 'incomplete' ? ' class="error"' : kind === 'note' ? ' class="quiet"' : ''}>${text(said)}</li>`

type Writing = { document: RunDocument; paint: (card: ReportCard) => string; onSite: (url: string) => string }

/** The three numbers that a client asks for. */
function numbers(document: RunDocument, causes: readonly Cause[]): string {
  const changes = causes.length
  const ready = tallyOf(causes).ready.causes
  const good = document.pages.filter((page) => !page.unseen && errorsOf(page).length === 0).length
  const told = [
    [document.pages.length, document.pages.length === 1 ? 'page looked at' : 'pages looked at'],
    [good, 'with nothing in the way'],
    [changes, `${changes === 1 ? 'change' : 'changes'} to make, ${ready} ready`],
  ] as const
  const shown = changes === 0 ? told.slice(0, 2) : told
  return `<ul class="numbers">${shown.map(([number, words]) => `<li><b>${number}</b>${words}</li>`).join('')}</ul>`
}

function startHtml({ document, paint, onSite }: Writing): string {
  const cards = startCards(document)
  const [first] = cards
  if (!first) return ''
  const places = cards.map(({ surface }) => surface)
  const faces = Object.fromEntries(
    places.flatMap((surface) => {
      const card = first.page.cards[surface.id]
      return card ? [[surface.id, faceOf(card, surface)]] : []
    }),
  )
  const differs = placeDifferences(faces, places)
  const figures = cards.map((card) => `<li>${paint(card)}<p class="caption quiet">${text(card.surface.name)}</p></li>`)
  return `<h2>A link to ${first.page.url === document.source.site ? 'the start page' : `<code>${text(onSite(first.page.url))}</code>`}</h2>
<ul class="cards start">${figures.join('\n')}</ul>
${differs.length === 0 ? '' : `<p class="quiet">${text(differs.join(' '))}</p>`}`
}

function plainList(causes: readonly Cause[], { onSite }: Writing): string {
  const lines = causes.map((cause) => {
    const { where, what, why } = plainChange(cause, onSite)
    return `<li><b>${text(where)}</b>: ${text(what)}. <span class="quiet">${text(why)}</span></li>`
  })
  return `<ol class="changes">${lines.join('\n')}</ol>`
}

/** What is in the way, in a client's words: the changes that clear an error; where there is none, what would be better. */
function changesHtml(causes: readonly Cause[], most: number, writing: Writing): string {
  const blocking = causes.filter(({ level }) => level === 'error')
  const told = blocking.length > 0 ? blocking : causes
  const shown = told.slice(0, most)
  const rest = told.length - shown.length
  const heading = blocking.length > 0 ? 'What stands in the way' : 'What would be better'
  const isNew = writing.document.baseline ? ', of what is new' : ''
  return `<h2>${heading}${isNew}</h2>
${shown.length === 0 ? '<p>Nothing.</p>' : plainList(shown, writing)}
${rest === 0 ? '' : `<p class="quiet">And ${plural(rest, 'more change')}.</p>`}`
}

function cardHtml(card: ReportCard, { paint, onSite }: Writing): string {
  const [error, ...more] = errorsOf(card.page)
  const says = error
    ? `<span class="error">${SIGN.error} ${text(error.message)}${more.length > 0 ? ` And ${more.length} more.` : ''}</span>`
    : '<span class="good">as it should be</span>'
  return `<li><figure>${paint(card)}<figcaption><code>${text(onSite(card.page.url))}</code><br>${says}</figcaption></figure></li>`
}

function sectionHtml({ section, pages, troubled, cards, named }: ReportSection, writing: Writing): string {
  const paths = named.slice(0, MOST_NAMED).map(({ url }) => `<code>${text(writing.onSite(url))}</code>`)
  const left = named.length - paths.length
  const rest = `${paths.join(', ')}${left > 0 ? ` and ${left} more` : ''}`
  return `<h3><code>${text(sectionName(section))}</code> <span class="quiet">${plural(pages, 'page')}${troubled > 0 ? `, ${troubled} with something in the way` : ''}</span></h3>
<ul class="cards">${cards.map((card) => cardHtml(card, writing)).join('\n')}</ul>
${rest === '' ? '' : `<p class="quiet">With something in the way, too: ${rest}</p>`}`
}

/** What a change clears, in words. */
const signs = ({ clears }: Cause) =>
  LEVELS.flatMap((level) => (clears[level] > 0 ? [plural(clears[level], level)] : [])).join(', ')

function evidenceHtml(cause: Cause, { onSite }: Writing): string {
  const paths = cause.pages.slice(0, NAMED).map((url) => `<code>${text(onSite(url))}</code>`)
  const rest = cause.pages.length - paths.length
  const edits = cause.edits.slice(0, NAMED).map((edit) => `<code>${text(editWords(edit))}</code>`)
  const snippet = cause.snippet ? `<pre><code>${cause.snippet.split('\n').map(text).join('\n')}</code></pre>` : ''
  return `<li><p><b class="${cause.level}">${SIGN[cause.level]} ${cause.level}</b> ${text(cause.change)}</p>
<p class="quiet">${text(`Clears ${signs(cause)}; ${proofWords(cause)}.`)} Checks: ${cause.rules.map((rule) => `<code>${text(rule)}</code>`).join(', ')}</p>
${edits.length === 0 ? '' : `<p>${edits.join('<br>')}</p>`}${snippet}
<p class="quiet">${plural(cause.pages.length, 'page')}: ${paths.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}</p></li>`
}

function developersHtml(causes: readonly Cause[], all: boolean, writing: Writing): string {
  const shown = all ? causes : causes.slice(0, CAUSES_SHOWN)
  const rest = causes.slice(shown.length)
  const list = (of: readonly Cause[]) =>
    `<ul class="evidence">${of.map((cause) => evidenceHtml(cause, writing)).join('\n')}</ul>`
  return `<h2>${writing.document.baseline ? 'For developers: what to change of what is new' : 'For developers: what to change'}</h2>
${causes.length === 0 ? '<p>Nothing.</p>' : list(shown)}
${rest.length === 0 ? '' : `<details><summary>${plural(rest.length, 'more change')}</summary>${list(rest)}</details>`}`
}

function sectionTable({ pages }: RunDocument, sections: readonly ReportSection[]): string {
  const rows = sections.map(({ section, pages: number, troubled }) => {
    const findings = pages.filter((page) => page.section === section).flatMap((page) => page.findings)
    const of = (level: Level) => findings.filter((finding) => finding.level === level).length
    return `<tr><td><code>${text(sectionName(section))}</code></td><td class="n">${number}</td><td class="n">${number - troubled}</td><td class="n">${of('error')}</td><td class="n">${of('warning')}</td></tr>`
  })
  return `<table><thead><tr><th>Section</th><th class="n">Pages</th><th class="n">Without errors</th><th class="n">Errors</th><th class="n">Warnings</th></tr></thead><tbody>
${rows.join('\n')}
</tbody></table>`
}

const sectionsHtml = (sections: readonly ReportSection[], pagesFile: string | undefined, writing: Writing): string =>
  `<h2>The cards, by section</h2>
<p class="quiet">${
    pagesFile === undefined
      ? 'Every page with something in the way is here; of the others, one that stands for them.'
      : `The first pages with something in the way; <a href="${escapeAttribute(encodeURIComponent(pagesFile))}">all of them</a> are a file of their own.`
  }</p>
${sections.map((section) => sectionHtml(section, writing)).join('\n')}`

/** The page that a client reads: verdict, numbers, cards, what is to be known. */
function firstPage(
  causes: readonly Cause[],
  { onePage, timeZone, all }: Partial<PaperOptions>,
  writing: Writing,
): string {
  const { document } = writing
  const { summary, source } = document
  const lines = paperLines(document, timeZone).map(lineHtml)
  const blocking = causes.filter(({ level }) => level === 'error')
  return `<section class="first${onePage ? ' only' : ''}">
<h1>${VERDICT_TITLES[summary.verdict]}</h1>
<p><a href="${escapeAttribute(source.site)}" rel="noreferrer">${text(source.site)}</a>, looked at on <time datetime="${escapeAttribute(document.startedAt)}">${text(shownTime(document.startedAt, timeZone))}</time></p>
<p>${SENTENCES[summary.verdict]}</p>
${numbers(document, blocking)}
${startHtml(writing)}
${changesHtml(causes, all && !onePage ? causes.length : CHANGES_ON_ONE_PAGE, writing)}
${lines.length === 0 ? '' : `<h2>To know</h2><ul class="told">${lines.join('\n')}</ul>`}
</section>`
}

/**
 * A report that a client can read: one file, no script, nothing fetched. First a page without a word of the trade, then
 * the cards by section, then what developers need.
 */
export function runAsHtml(document: RunDocument, options: Partial<PaperOptions> = {}): string {
  const { all = false, onePage = false, pictures = new Map(), pagesFile } = options
  const { summary, source } = document
  const causes = printedCauses(document)
  const { paint, symbols } = cardPainter(document, pictures)
  const writing: Writing = { document, paint, onSite: (url) => pathOn(url, source.site) }
  const first = firstPage(causes, options, writing)
  const sections = onePage ? [] : reportSections(document)
  const waived = summary.waived > 0 ? `, ${summary.waived} waived` : ''
  const rest = onePage
    ? ''
    : `${sectionsHtml(sections, pagesFile, writing)}
${developersHtml(causes, all, writing)}
<h2>By section</h2>
<p class="quiet">${countWords(summary)}${waived}.</p>
${sectionTable(document, sections)}`
  // Pictures are known once the cards are drawn: they are used from wherever in the page they stand.
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">
<title>${text(`${VERDICT_TITLES[summary.verdict]}: ${source.site}`)}</title>
<style>${REPORT_STYLE}</style>
</head>
<body>
<main>
${first}
${rest}
</main>
${symbols()}
</body>
</html>
`
}
