import { pathOn } from '../address'
import type { Cause } from '../cause'
import { LEVELS, type Level } from '../model'
import { sectionName } from '../section'
import { escapeAttribute, escapeText, groupBy, visible } from '../text'
import {
  CAUSES_SHOWN,
  count,
  countWords,
  type PaperLine,
  type PaperOptions,
  paperLines,
  printedCauses,
  proofWords,
  VERDICT_TITLES,
} from './paper'
import type { RunDocument } from './run-document'

/** A value as text of the report. */
const text = (value: string) => escapeText(visible(value))

const SIGN: Record<Level, string> = { error: '▲', warning: '◆', note: '●' }

const STYLE = `
:root{color-scheme:light dark;--ink:#14231e;--quiet:#56655f;--line:#d5ddd7;--ground:#edf1ed;--sheet:#fff;--wrong:#c2361f;--warn:#8f5c00;--good:#0a7d4d}
@media (prefers-color-scheme:dark){:root{--ink:#e8f0eb;--quiet:#9db0a7;--line:#2e3b35;--ground:#111815;--sheet:#19221e;--wrong:#ff8a75;--warn:#e9b85a;--good:#4fcf8f}}
body{margin:0;background:var(--ground);color:var(--ink);font:15px/1.5 system-ui,sans-serif}
main{max-width:860px;margin:0 auto;padding:32px 20px}
h1{font-size:26px;margin:0 0 4px}h2{font-size:18px;margin:32px 0 8px}p{margin:4px 0}
.quiet{color:var(--quiet)}.error{color:var(--wrong)}.warning{color:var(--warn)}.clear{color:var(--good)}
ul{list-style:none;margin:0;padding:0}.sheet>li{background:var(--sheet);border:1px solid var(--line);padding:12px 16px;margin-top:-1px}
pre{background:var(--ground);padding:8px 12px;overflow:auto;font-size:12px}code{font-size:13px;overflow-wrap:anywhere}
details{margin-top:6px}summary{cursor:pointer}table{border-collapse:collapse;width:100%;background:var(--sheet)}
td,th{border:1px solid var(--line);padding:6px 10px;text-align:left;font-size:14px}td.n{text-align:right}
@media print{body{background:#fff}details{display:block}}`

function causeHtml(cause: Cause, site: string): string {
  const paths = cause.pages.map((url) => `<li><code>${text(pathOn(url, site))}</code></li>`).join('')
  const snippet = cause.snippet ? `<pre>${cause.snippet.split('\n').map(text).join('\n')}</pre>` : ''
  return `<li><p><b class="${cause.level}">${SIGN[cause.level]} ${cause.level}</b> ${text(cause.change)}</p><p class="quiet">${text(`${signs(cause)}; ${proofWords(cause)}.`)}</p>${snippet}
<details><summary class="quiet">${count(cause.pages.length, 'page')}; ${cause.rules.map((rule) => `<code>${text(rule)}</code>`).join(', ')}</summary><ul>${paths}</ul></details></li>`
}

const causesHtml = (causes: readonly Cause[], site: string) =>
  `<ul class="sheet">${causes.map((cause) => causeHtml(cause, site)).join('\n')}</ul>`

/** What a change clears, in words. */
const signs = ({ clears }: Cause) =>
  LEVELS.flatMap((level) => (clears[level] > 0 ? [count(clears[level], level)] : [])).join(', ')

function sectionRows(document: RunDocument): string {
  return [...groupBy(document.pages, ({ section }) => section)]
    .map(([section, pages]) => {
      const findings = pages.flatMap((page) => page.findings)
      const clear = pages.filter((page) => page.findings.every(({ level }) => level !== 'error')).length
      const number = (level: Level) => findings.filter((finding) => finding.level === level).length
      return `<tr><td><code>${text(sectionName(section))}</code></td><td class="n">${pages.length}</td><td class="n">${clear}</td><td class="n">${number('error')}</td><td class="n">${number('warning')}</td></tr>`
    })
    .join('\n')
}

const REASSURANCE = {
  clear: 'Nothing stands in the way.',
  'not-clear': 'Errors stand in the way; warnings and notes do not.',
  'not-known': 'Nothing was found that stands in the way, but not everything was read.',
} as const

const lineHtml = ({ kind, text: said }: PaperLine) =>
  `<p class="${kind === 'incomplete' ? 'error' : kind === 'note' ? 'quiet' : 'told'}">${text(said)}</p>`

/** A report that a client can read: one file, no script, nothing fetched. */
export function runAsHtml(document: RunDocument, { all = false }: Partial<PaperOptions> = {}): string {
  const { summary, source } = document
  const causes = printedCauses(document)
  const shown = all ? causes : causes.slice(0, CAUSES_SHOWN)
  const rest = causes.slice(shown.length)
  const verdict = VERDICT_TITLES[summary.verdict]
  const waived = summary.waived > 0 ? `, ${summary.waived} waived` : ''
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${text(`${verdict}: ${source.site}`)}</title>
<style>${STYLE}</style>
</head>
<body>
<main>
<h1 class="${summary.clear ? 'clear' : 'error'}">${verdict}</h1>
<p><a href="${escapeAttribute(source.site)}" rel="noreferrer">${text(source.site)}</a>, ${count(summary.pages, 'page')}, looked at <time>${text(document.startedAt)}</time>.</p>
<p>${countWords(summary)}${waived}. ${REASSURANCE[summary.verdict]}</p>
${paperLines(document).map(lineHtml).join('\n')}
<h2>${document.baseline ? 'What to change of what is new' : 'What to change'}</h2>
${causes.length === 0 ? '<p>Nothing.</p>' : causesHtml(shown, source.site)}
${rest.length === 0 ? '' : `<details><summary>${count(rest.length, 'more change')}</summary>${causesHtml(rest, source.site)}</details>`}
<h2>By section</h2>
<table><thead><tr><th>Section</th><th>Pages</th><th>Without errors</th><th>Errors</th><th>Warnings</th></tr></thead><tbody>
${sectionRows(document)}
</tbody></table>
</main>
</body>
</html>
`
}
