import type { MetaFact } from '../../model'
import { isBlank } from '../../text'
import { defineCheck, type Raised } from '../define-check'

/** A calendar date with or without a time, as ISO 8601 has them and the Open Graph protocol asks for. */
const ISO_DATE =
  /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])(?:T(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d(?:\.\d+)?)?(?:Z|[+-](?:[01]\d|2[0-3]):?[0-5]\d)?)?$/i

/** Fields of types, the form that their values must have, and how to write one. */
const FORMS: { keys: RegExp; form: RegExp; example: string }[] = [
  {
    keys: /^article:(?:published_time|modified_time|expiration_time)$|^(?:book|music|video):release_date$/,
    form: ISO_DATE,
    example: 'YYYY-MM-DD, or YYYY-MM-DDThh:mm:ss+00:00',
  },
  { keys: /^(?:product|og):price:amount$/, form: /^\d+(?:\.\d+)?$/, example: '24.50' },
  { keys: /^(?:product|og):price:currency$/, form: /^[A-Z]{3}$/, example: 'EUR' },
  { keys: /^book:isbn$/, form: /^(?:97[89][- ]?)?(?:\d[- ]?){9}[\dXx]$/, example: '978-0-000-00000-2' },
  { keys: /^(?:music|video):duration$/, form: /^[1-9]\d*$/, example: '180' },
]

const formOf = (key: string) => FORMS.find(({ keys }) => keys.test(key))

/** Is there such a day? 30 February is none. */
function isInCalendar(value: string): boolean {
  const day = value.slice(0, 10)
  const date = new Date(`${day}T00:00:00Z`)
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(day)
}

/** Dates of what has happened. */
const PAST = new Set(['article:published_time', 'article:modified_time'])
const PEOPLE = new Set(['article:author', 'book:author'])

/** The day that a text names in words, as it is to be written; null where it can't be told. */
function dateMeant(key: string, value: string): string | null {
  if (!key.endsWith('_time') && !key.endsWith('_date')) return null
  // Which of two numbers is the month differs from country to country.
  if (!/\p{L}{3}/u.test(value) || !/\b\d{4}\b/.test(value)) return null
  const time = Date.parse(`${value} UTC`)
  return Number.isNaN(time) ? null : new Date(time).toISOString().slice(0, 10)
}

/** Is a day after today, by more than time zones explain? */
function isAfter(value: string, today: string): boolean {
  const [day, now] = [Date.parse(value.slice(0, 10)), Date.parse(today)]
  return !Number.isNaN(day) && !Number.isNaN(now) && day - now > 86_400_000
}

/** Are these several names in a row? `Marlow, Ines` and `Ines Marlow, PhD` are one. */
function areJoined(value: string): boolean {
  const names = value.split(/[,;]/).map((name) => name.trim())
  const isName = (name: string) => /^\p{Lu}[^\s\d]*(?:\s+\S+){1,4}$/u.test(name)
  return names.length > 1 && value.length < 400 && names.every((name) => name.length < 80 && isName(name))
}

export const ogTypeFields = defineCheck({
  id: 'og-type-fields',
  label: 'type fields missing',
  subject: 'type',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Dates, prices, numbers and names that belong to a type.',
  why: 'A date or a price that can’t be read is left out of the card.',
  messages: {
    malformed: {
      says: '{key} is “{value}”, which is not of the form that it must have.',
      fix: 'Use the form {example}; line {line}.',
      anywhere: 'Use the form {example}.',
      repair: { do: 'askPerson', needs: '{key} in the form {example}' },
    },
    future: {
      says: '{key} is “{value}”, which has not come yet.',
      fix: 'Give the day on which the page was published; line {line}.',
      anywhere: 'Give the day on which the page was published.',
      repair: { do: 'askPerson', needs: 'the day of publication' },
    },
    joined: {
      says: '{key} names several people in one tag: “{value}”.',
      fix: 'Give each a tag of its own; line {line}.',
      anywhere: 'Give each a tag of its own.',
      repair: { do: 'askPerson', needs: 'a tag for each of them' },
    },
  },
  check({ facts }, { today }) {
    const isWrong = (meta: MetaFact) => {
      const form = formOf(meta.key)?.form
      if (form === undefined || isBlank(meta.value)) return false
      const value = meta.value!.trim()
      return !form.test(value) || (form === ISO_DATE && !isInCalendar(value))
    }
    return facts.metas.flatMap((meta): Raised[] => {
      const value = meta.value?.trim() ?? ''
      const data = { key: meta.key, value, line: meta.line }
      if (isWrong(meta)) {
        const example = dateMeant(meta.key, value) ?? formOf(meta.key)!.example
        return [{ message: 'malformed', at: meta, data: { ...data, example } }]
      }
      if (PAST.has(meta.key) && isAfter(value, today)) return [{ message: 'future', at: meta, data }]
      return PEOPLE.has(meta.key) && areJoined(value) ? [{ message: 'joined', at: meta, data }] : []
    })
  },
})
