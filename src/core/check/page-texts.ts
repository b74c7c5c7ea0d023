import type { PageFacts, Position } from '../model'
import { metasOf } from '../surface'
import { groupBy, isBlank } from '../text'

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

/** Has the page neither a description nor an og:description? */
export const lacksDescription = (facts: PageFacts): boolean =>
  ['description', 'og:description'].every((key) => metasOf(facts, key).every((tag) => isBlank(tag.value)))

/** Length as places count it: code points. */
export const charactersIn = (text: string): number => [...text].length

/** Scripts whose single character says about what two letters of an alphabet do. */
const DENSE = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/gu

/** How much a text says, in letters of an alphabet: a whole sentence of Chinese has twenty characters. */
export const lettersWorth = (text: string): number => charactersIn(text) + (text.match(DENSE)?.length ?? 0)

/** The same texts, each once, with all the keys that say it; where it stands first counts. */
export function eachTextOnce(texts: readonly PageText[]): PageText[] {
  const byText = groupBy(texts, ({ text }) => text)
  return [...byText.values()].map((same) => ({
    ...same[0]!,
    key: [...new Set(same.map(({ key }) => key))].join(' and '),
  }))
}
