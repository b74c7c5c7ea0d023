import type { MetaFact } from '../../model'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

/** A calendar date with or without a time, as ISO 8601 has them and the Open Graph protocol asks for. */
const ISO_DATE =
  /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])(?:T(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d(?:\.\d+)?)?(?:Z|[+-](?:[01]\d|2[0-3]):?[0-5]\d)?)?$/i

/** Fields of types, the form that their values must have, and how to write one. */
const FORMS: { keys: RegExp; form: RegExp; example: string }[] = [
  {
    keys: /^article:(?:published_time|modified_time|expiration_time)$|^(?:book|music|video):release_date$/,
    form: ISO_DATE,
    example: '2026-11-23T09:12:00+00:00',
  },
  { keys: /^(?:product|og):price:amount$/, form: /^\d+(?:\.\d+)?$/, example: '24.50' },
  { keys: /^(?:product|og):price:currency$/, form: /^[A-Z]{3}$/, example: 'EUR' },
  { keys: /^book:isbn$/, form: /^(?:97[89][- ]?)?(?:\d[- ]?){9}[\dXx]$/, example: '978-0-000-00000-2' },
  { keys: /^(?:music|video):duration$/, form: /^[1-9]\d*$/, example: '180' },
]

const formOf = (key: string) => FORMS.find(({ keys }) => keys.test(key))

export const ogTypeFields = defineCheck({
  id: 'og-type-fields',
  label: 'type fields missing',
  subject: 'type',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Dates, prices and numbers that belong to a type.',
  why: 'A date or a price that can’t be read is left out of the card.',
  messages: {
    malformed: {
      says: '{key} is “{value}”, which is not of the form that it must have.',
      fix: 'Write it as {example} on line {line}.',
      anywhere: 'Write it as {example}.',
      mend: { needs: '{key} in the form of {example}' },
    },
  },
  check({ facts }) {
    const isWrong = (meta: MetaFact) => {
      const form = formOf(meta.key)?.form
      return form !== undefined && !isBlank(meta.value) && !form.test(meta.value!.trim())
    }
    return facts.metas.filter(isWrong).map((meta) => ({
      message: 'malformed',
      at: meta,
      data: { key: meta.key, value: meta.value!.trim(), example: formOf(meta.key)!.example, line: meta.line },
    }))
  },
})
