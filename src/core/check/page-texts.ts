import type { PageFacts, Position } from '../model'
import { isBlank } from '../text/collapse'

/** A text that cards are made from, with the tag it stands in. */
export type PageText = { key: string; text: string; at: Position | null }

/** Texts of the given keys (`title` is the page's own); blank ones are another check's. */
export function textsOf(facts: PageFacts, keys: readonly string[]): PageText[] {
  const own =
    keys.includes('title') && facts.title !== null ? [{ key: 'title', text: facts.title, at: facts.at.title }] : []
  const tags = facts.metas
    .filter((meta) => meta.key !== 'title' && keys.includes(meta.key))
    .map((meta) => ({ key: meta.key, text: meta.value?.trim() ?? '', at: meta as Position }))
  return [...own, ...tags].filter(({ text }) => !isBlank(text))
}

export const TITLES = ['title', 'og:title', 'twitter:title'] as const
export const DESCRIPTIONS = ['description', 'og:description', 'twitter:description'] as const

/** Length as places count it: code points. */
export const charactersIn = (text: string): number => [...text].length
