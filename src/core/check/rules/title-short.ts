import { defineCheck } from '../define-check'
import { charactersIn, lettersWorth, textsOf } from '../page-texts'

const MOST = 15

export const titleShort = defineCheck({
  id: 'title-short',
  label: 'short title',
  subject: 'title',
  family: 'text',
  level: 'note',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'How long the <title> is, on sites of several pages.',
  why: 'A single word says little beside a link, and is easily some other page’s too.',
  messages: {
    length: {
      says: '{key} has {count} characters, under 15.',
      fix: 'Name what the page is about; line {line}.',
      anywhere: 'Name what the page is about.',
      repair: { do: 'rewriteText', text: 'title' },
    },
  },
  check({ facts }, { readable }) {
    if (readable.length < 2) return []
    return textsOf(facts, ['title']).flatMap(({ key, text, at }) => {
      const count = charactersIn(text)
      return lettersWorth(text) < MOST ? [{ message: 'length', at, data: { key, count, line: at?.line ?? 0 } }] : []
    })
  },
})
