import { withoutUnnamedHost } from '../address'
import type { Drift, RefreshReason } from '../compare'
import { type Surface, surfacesWith } from '../surface'
import { escapeText, plural, printableJson, terminalText, visible } from '../text'
import { escapeMarkdown } from './markdown'

/** Why a copy is out of date, in words. */
export const REASON_WORDS: Record<RefreshReason, string> = {
  text: 'text changed',
  image: 'picture changed',
  layout: 'layout changed',
  removed: 'page removed',
  'picture-under-same-address': 'picture changed under the same address',
}

const said = (value: string | null) => (value === null ? 'nothing' : `“${value}”`)

type Part = { title: string; lines: string[] }

/** What a drift says, part by part: the forms below only set it differently. */
function partsOf(drift: Drift, places: readonly Surface[]): Part[] {
  const nameOf = (id: string) => places.find((surface) => surface.id === id)?.name ?? id
  const { added, removed, moved, changed, findings, refresh } = drift
  const parts: Part[] = [
    { title: `${plural(added.length, 'page')} added`, lines: added },
    { title: `${plural(removed.length, 'page')} removed`, lines: removed },
    { title: `${plural(moved.length, 'page')} moved`, lines: moved.map(({ from, to }) => `${from} → ${to}`) },
    {
      title: `${plural(changed.length, 'page')} changed`,
      lines: changed.flatMap((page) => [
        `${page.url}: ${page.surfaces.length === 0 ? 'no card shows it' : `${page.parts.join(', ')} on ${page.surfaces.map(nameOf).join(', ')}`}`,
        ...page.tags.map(({ key, before, after }) => `    ${key}: ${said(before)} → ${said(after)}`),
      ]),
    },
    {
      title: `${plural(findings.came.length, 'finding')} came`,
      lines: findings.came.map(({ rule, page }) => `${rule} ${page}`),
    },
    {
      title: `${plural(findings.went.length, 'finding')} went`,
      lines: findings.went.map(({ rule, page }) => `${rule} ${page}`),
    },
    ...Object.entries(refresh).map(([id, list]) => ({
      title: `${nameOf(id)}: ${plural(list.length, 'held copy', 'held copies')} out of date`,
      lines: list.map(({ url, reason }) => `${url} (${REASON_WORDS[reason]})`),
    })),
  ]
  return parts.filter(({ lines }) => lines.length > 0)
}

const NOTHING = 'Nothing changed.'

function driftAsText(drift: Drift, places: readonly Surface[]): string {
  const parts = partsOf(drift, places)
  if (parts.length === 0) return `${NOTHING}\n`
  return `${parts.map(({ title, lines }) => [title, ...lines.map((line) => `  ${terminalText(line)}`)].join('\n')).join('\n\n')}\n`
}

/** Entries of a list that Markdown has in words, and sections it names of the rest: a comment has a bound of its own. */
const TOLD_IN_WORDS = 20
const SECTIONS_NAMED = 8

const isDetail = (line: string) => line.startsWith('    ')

/** What is left of a list, by the first folder of the URLs. @example 'and 479 more: 300 in /guides, 179 in /news' */
function restInSections(lines: readonly string[]): string {
  const counts = new Map<string, number>()
  for (const line of lines) {
    const folder = /(?:https?:\/\/[^/\s]+)?\/([^/\s:?#]*)\//.exec(line)?.[1]
    const section = folder ? `/${folder}` : 'the top level'
    counts.set(section, (counts.get(section) ?? 0) + 1)
  }
  const named = [...counts].sort(([, a], [, b]) => b - a)
  const rest = named.slice(SECTIONS_NAMED).reduce((sum, [, number]) => sum + number, 0)
  const words = named.slice(0, SECTIONS_NAMED).map(([section, number]) => `${number} in ${section}`)
  return `and ${lines.length} more: ${[...words, ...(rest > 0 ? [`${rest} elsewhere`] : [])].join(', ')}`
}

/** The first entries of a list with their details; the others by section. */
function shortened(lines: readonly string[]): string[] {
  const entries = lines.filter((line) => !isDetail(line))
  if (entries.length <= TOLD_IN_WORDS) return [...lines]
  const end = lines.indexOf(entries[TOLD_IN_WORDS]!)
  return [...lines.slice(0, end), restInSections(entries.slice(TOLD_IN_WORDS))]
}

/** For a comment of a pull request: the first entries of each list in words, the rest by section. */
function driftAsMarkdown(drift: Drift, places: readonly Surface[]): string {
  const parts = partsOf(drift, places)
  if (parts.length === 0) return `${NOTHING}\n`
  const item = (line: string) => (isDetail(line) ? `  - ${escapeMarkdown(line.trim())}` : `- ${escapeMarkdown(line)}`)
  const text = parts.map(({ title, lines }) => [`### ${title}`, '', ...shortened(lines).map(item)].join('\n'))
  return `${text.join('\n\n')}\n`
}

function driftAsHtml(drift: Drift, places: readonly Surface[]): string {
  const body = partsOf(drift, places)
    .map(
      ({ title, lines }) =>
        `<h2>${escapeText(title)}</h2>\n<ul>${lines.map((line) => `<li${line.startsWith('    ') ? ' style="margin-left:1.5em"' : ''}>${escapeText(visible(line.trim()))}</li>`).join('\n')}</ul>`,
    )
    .join('\n')
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>What changed</title><style>body{font:15px/1.5 system-ui,sans-serif;max-width:860px;margin:32px auto;padding:0 20px;color:#14231e}li{overflow-wrap:anywhere}h2{font-size:17px}</style></head>
<body><h1>What changed</h1>
${body || `<p>${NOTHING}</p>`}
</body></html>
`
}

const driftAsJson = (drift: Drift): string => `${printableJson(drift, 2)}\n`

/** The same, with URLs of a site that has no production URL as paths. */
const withPaths =
  (write: (drift: Drift, places: readonly Surface[]) => string) =>
  (drift: Drift, places: readonly Surface[] = surfacesWith([])) =>
    withoutUnnamedHost(write(drift, places))

export const driftFormats = {
  text: withPaths(driftAsText),
  json: withPaths(driftAsJson),
  markdown: withPaths(driftAsMarkdown),
  html: withPaths(driftAsHtml),
} as const
export type DriftFormat = keyof typeof driftFormats
