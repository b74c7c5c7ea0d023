import { defineCheck } from '../define-check'
import { declaredEncoding, garbledTexts, lacksEncoding, namesEncoding } from '../garbled-texts'

export const charsetLate = defineCheck({
  id: 'charset-late',
  label: 'charset late',
  subject: 'head',
  alsoReads: ['title', 'description', 'site-name', 'picture-text'],
  isOf: 'form',
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  looksAt: 'Where the page declares its encoding.',
  why: 'A declaration after the first 1024 bytes may come too late: letters with marks are garbled.',
  messages: {
    late: {
      says: '<meta charset> ends at byte {byte}, after the first 1024.',
      fix: 'Make it the first tag of the head; line {line}.',
      anywhere: 'Make it the first tag of the head.',
      repair: { do: 'moveTagsUp' },
    },
    absent: {
      says: 'Neither the page nor its Content-Type names the encoding.',
      fix: 'Add <meta charset="utf-8"> as the first tag of the head.',
      repair: { do: 'setTag', tag: 'charset', to: 'utf-8' },
    },
    garbles: {
      says: 'Neither the page nor its Content-Type names the encoding: {key} is garbled (“{seen}”).',
      fix: 'Add <meta charset="utf-8"> as the first tag of the head.',
      repair: { do: 'setTag', tag: 'charset', to: 'utf-8' },
    },
  },
  check({ facts, fetch }) {
    if (!lacksEncoding(facts, fetch)) {
      const declared = declaredEncoding(facts)
      const isInTime = declared === undefined || declared.endByte <= 1024
      if (isInTime || namesEncoding(facts, fetch)) return []
      return [{ message: 'late', at: declared, data: { byte: declared.endByte, line: declared.line } }]
    }
    const [garbled] = garbledTexts(facts)
    if (!garbled) return [{ message: 'absent' }]
    return [{ message: 'garbles', level: 'warning' as const, data: { key: garbled.key, seen: garbled.seen } }]
  },
})
