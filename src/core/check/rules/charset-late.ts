import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

export const charsetLate = defineCheck({
  id: 'charset-late',
  label: 'charset late',
  subject: 'head',
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
      mend: { earlier: true },
    },
    absent: {
      says: 'Neither the page nor its Content-Type names the encoding.',
      fix: 'Add <meta charset="utf-8"> as the first tag of the head.',
      mend: { say: 'charset', as: 'utf-8' },
    },
  },
  check({ facts, fetch }) {
    if (/charset=/i.test(fetch.contentType ?? '')) return []
    const declared = facts.metas.find(
      ({ key, value }) =>
        (key === 'charset' && !isBlank(value)) || (key === 'content-type' && /charset=/i.test(value ?? '')),
    )
    if (!declared) return [{ message: 'absent' }]
    if (declared.endByte <= 1024) return []
    return [{ message: 'late', at: declared, data: { byte: declared.endByte, line: declared.line } }]
  },
})
