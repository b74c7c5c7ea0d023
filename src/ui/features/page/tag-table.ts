import type { MetaFact, PageFacts } from '@/core/model'
import { mayRepeat } from '@/core/tag'
import { addTo } from '@/core/text'

/** Single-valued tags that stand more than once: the first of them and the last. */
export function repeatedTags(metas: readonly MetaFact[]): { key: string; first: MetaFact; last: MetaFact }[] {
  const byKey = new Map<string, MetaFact[]>()
  for (const meta of metas) {
    if (meta.attribute !== 'name' && meta.attribute !== 'property') continue
    addTo(byKey, meta.key, meta)
  }
  return [...byKey]
    .filter(([key, all]) => all.length > 1 && !mayRepeat(key))
    .map(([key, all]) => ({ key, first: all[0]!, last: all.at(-1)! }))
}

/** Line breaks and tabs would break the table apart. */
const cell = (text: string) => text.replace(/[\t\r\n]+/g, ' ')

/** All tags as tab-separated text, a header first: pastes into a spreadsheet. */
export function tagsAsText({ metas }: Pick<PageFacts, 'metas'>): string {
  const rows = metas.map(({ line, attribute, key, value }) =>
    [String(line), attribute, key, value ?? ''].map(cell).join('\t'),
  )
  return ['line\tattribute\tkey\tvalue', ...rows].join('\n')
}
