import { firstValue, metasOf, richKindOf } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

export const richFieldsMissing = defineCheck({
  id: 'rich-fields-missing',
  label: 'rich fields missing',
  subject: 'rich-data',
  alsoReads: ['type', 'title', 'description', 'picture'],
  family: 'rich-data',
  level: 'warning',
  scope: 'page',
  looksAt: 'Articles, products, recipes, places, films and apps, by og:type or JSON-LD.',
  why: 'Without these fields the picture board and the search result lay out a plain link.',
  messages: {
    lacks: {
      says: 'As {kind} the page lacks {lacks}.',
      fix: 'Add them to the tags or to the JSON-LD.',
      mend: { needs: '{lacks}' },
    },
  },
  check({ facts }) {
    const rich = richKindOf(facts)
    // Who wrote it may stand in the tag that HTML has for it.
    const lacks = rich?.lacks.filter((field) => field !== 'author' || isBlank(firstValue(facts, 'author'))) ?? []
    if (!rich || lacks.length === 0) return []
    const tag = metasOf(facts, 'og:type')[0]
    const script = facts.jsonLd.find(({ things }) => things?.some(({ kind }) => kind === rich.kind))
    const kind = /^[aeiou]/.test(rich.kind) ? `an ${rich.kind}` : `a ${rich.kind}`
    return [{ message: 'lacks', at: script ?? tag ?? null, data: { kind, lacks: lacks.join(', ') } }]
  },
})
