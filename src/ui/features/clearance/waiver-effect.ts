import { pathForms } from '@/core/address'
import type { Level } from '@/core/model'
import { pathMatcher } from '@/core/requirements'
import { nearestWord } from '@/core/text'
import type { WallRow } from '@/store/database'

/** What a waiver would take away; `meant`: a pattern that has pages, where the one that was typed has none. */
export type WaiverEffect = { pages: number; levels: Record<Level, number>; matched: number; meant: string | null }

/** Patterns that a bare word may stand for: `guides` for all pages below `/guides/`. */
const completed = (glob: string) => {
  const path = `/${glob.replace(/^\/+|\/+$/g, '')}`
  return [path, `${path}/*`, `${path}/**`]
}

/**
 * What a waiver of a check would take away on these pages, before it is kept.
 *
 * @param glob pages by path; empty: all
 */
export function waiverEffect(rows: readonly WallRow[], site: string, rule: string, glob: string): WaiverEffect {
  const typed = glob.trim()
  const isOfPages = typed === '' ? () => true : pathMatcher(typed)
  const matched = rows.filter(({ url }) => pathForms(url, site).some(isOfPages))
  const levels = { error: 0, warning: 0, note: 0 }
  let pages = 0
  for (const { findings } of matched) {
    const own = findings.filter((finding) => finding.rule === rule)
    if (own.length > 0) pages++
    for (const { level } of own) levels[level]++
  }
  return { pages, levels, matched: matched.length, meant: matched.length > 0 ? null : meantBy(rows, site, typed) }
}

function meantBy(rows: readonly WallRow[], site: string, typed: string): string | null {
  const hasPages = (glob: string) => rows.some(({ url }) => pathForms(url, site).some(pathMatcher(glob)))
  const whole = completed(typed).find((glob) => glob !== typed && hasPages(glob))
  return whole ?? nearestWord(typed, [...new Set(rows.flatMap(({ section, path }) => [section, path]))])
}
