import { defineCheck } from '../define-check'

export const jsonLdInvalid = defineCheck({
  id: 'json-ld-invalid',
  label: 'JSON-LD invalid',
  subject: 'rich-data',
  family: 'rich-data',
  level: 'warning',
  scope: 'page',
  looksAt: 'Scripts of type application/ld+json.',
  why: 'One comma too many, and all of it is passed over.',
  messages: {
    invalid: {
      says: 'The JSON-LD does not parse: {why}.',
      fix: 'Mend line {line}.',
      anywhere: 'Mend it.',
      repair: { do: 'askPerson', needs: 'JSON-LD that parses' },
    },
  },
  check({ facts }) {
    return facts.jsonLd.flatMap(({ error, errorLine, line, column }) => {
      if (error === null) return []
      const isOwnLine = errorLine === null || errorLine === line
      const at = { line: errorLine ?? line, column: isOwnLine ? column : 1 }
      return [{ message: 'invalid', at, data: { why: error, line: at.line } }]
    })
  },
})
