import { pathOn } from '../address'
import { sectionName } from '../section'
import { escapeText, groupBy, plural, visible } from '../text'
import { errorsOf, MOST_CARDS } from './report-cards'
import { REPORT_STYLE } from './report-style'
import type { RunDocument } from './run-document'

type DocumentPage = RunDocument['pages'][number]

const text = (value: string) => escapeText(visible(value))

/** Lists of many pages are laid out as far as they are in sight. */
const STYLE = `${REPORT_STYLE}
.pages{list-style:none;margin:0;padding:0}.pages li{border-top:1px solid var(--line);padding:6px 0;content-visibility:auto;contain-intrinsic-size:auto 52px}`

/** Has a run more pages with something in the way than its report draws? Then all of them are a file of their own. */
export const needsPagesFile = ({ pages }: RunDocument): boolean =>
  pages.filter((page) => errorsOf(page).length > 0).length > MOST_CARDS

function pageHtml(page: DocumentPage, site: string): string {
  const errors = errorsOf(page).map(({ message }) => `<br><span class="error">▲ ${text(message)}</span>`)
  const warnings = page.findings.filter(({ level }) => level === 'warning').length
  const more = warnings > 0 ? `<br><span class="quiet">and ${plural(warnings, 'warning')}</span>` : ''
  return `<li><code>${text(pathOn(page.url, site))}</code>${errors.join('')}${more}</li>\n`
}

/** Every page of a run with something in the way, by section, a piece at a time: the report's second file. */
export function* pagesAsHtml(document: RunDocument): Generator<string> {
  const { site } = document.source
  const troubled = document.pages.filter((page) => errorsOf(page).length > 0)
  const title = `${plural(troubled.length, 'page')} with something in the way: ${site}`
  yield `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${text(title)}</title>
<style>${STYLE}</style>
</head>
<body>
<main>
<h1>${text(title)}</h1>
`
  for (const [section, pages] of groupBy(troubled, (page) => page.section)) {
    yield `<h2><code>${text(sectionName(section))}</code> <span class="quiet">${plural(pages.length, 'page')}</span></h2>\n<ul class="pages">\n`
    for (const page of pages) yield pageHtml(page, site)
    yield '</ul>\n'
  }
  yield '</main>\n</body>\n</html>\n'
}
