import { checkOf } from '../check/rules'
import type { Finding, Level } from '../model'
import type { RunDocument } from './run-document'

/** How levels are set off on a terminal; plain text elsewhere. */
export type Style = (level: Level | 'quiet' | 'strong', text: string) => string

export const plainStyle: Style = (_level, text) => text

/** Pages named under one finding before the rest is counted. */
const PAGES_NAMED = 5
const LEVELS: readonly Level[] = ['error', 'warning', 'note']

type Group = { rule: string; level: Level; fix: string; message: string; places: string[] }

const pathOf = (url: string, site: string) => (url.startsWith(site) ? `/${url.slice(site.length)}` : url)

/** Same check and, for pictures, same picture: one entry, with every page it stands on. */
function groupFindings(document: RunDocument): Group[] {
  const groups = new Map<string, Group>()
  const add = (finding: Finding, place: string) => {
    const isAboutPicture = checkOf(finding.rule)?.scope === 'image'
    const key = `${finding.rule} ${finding.level} ${isAboutPicture ? finding.image : ''}`
    const group = groups.get(key) ?? { ...finding, places: [] }
    group.places.push(place)
    groups.set(key, group)
  }
  const { site } = document.source
  for (const page of document.pages) {
    for (const finding of page.findings) {
      const line = finding.line === null ? '' : `:${finding.line}${finding.column === null ? '' : `:${finding.column}`}`
      add(finding, `${page.file ?? pathOf(page.url, site)}${line}`)
    }
  }
  for (const finding of document.findings) {
    const key = `${finding.rule} ${finding.message}`
    groups.set(key, { ...finding, places: finding.pages.map((url) => pathOf(url, site)) })
  }
  return [...groups.values()].sort(
    (a, b) =>
      LEVELS.indexOf(a.level) - LEVELS.indexOf(b.level) ||
      b.places.length - a.places.length ||
      (a.rule < b.rule ? -1 : 1),
  )
}

function groupLines(group: Group, style: Style): string[] {
  const count = group.places.length
  const named = group.places.slice(0, PAGES_NAMED)
  const rest = count - named.length
  return [
    `${style(group.level, group.level.padEnd(7))} ${style('strong', group.rule)}${count > 1 ? ` · ${count} pages` : ''}`,
    `        ${group.message}`,
    `        ${style('quiet', group.fix)}`,
    ...named.map((place) => `          ${place}`),
    ...(rest > 0 ? [`          … and ${rest} more`] : []),
    '',
  ]
}

const count = (number: number, word: string) => `${number} ${word}${number === 1 ? '' : 's'}`

/** A run in words, for a terminal or a log: what stands in the way first. */
export function runAsText(document: RunDocument, style: Style = plainStyle): string {
  const { summary, source, notes, pages } = document
  const sections = new Set(pages.map((page) => page.section)).size
  const from = source.location === source.site ? '' : ` from ${source.location}`
  const sum = `${count(summary.error, 'error')}, ${count(summary.warning, 'warning')}, ${count(summary.note, 'note')}`
  const lines = [
    `${style('strong', source.site)}${from}`,
    `${count(summary.pages, 'page')} in ${count(sections, 'section')}, ${count(document.images.length, 'picture')}`,
    ...notes.map((note) => style('quiet', note.message)),
    '',
    ...groupFindings(document).flatMap((group) => groupLines(group, style)),
    summary.clear ? style('strong', `Clear for launch: ${sum}.`) : style('error', `Not clear: ${sum}.`),
  ]
  return `${lines.join('\n')}\n`
}
