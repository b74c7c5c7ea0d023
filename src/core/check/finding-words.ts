import { withoutUnnamedHost } from '../address'
import type { Finding } from '../model'
import { fillWords } from './define-check'
import { checkOf } from './rules'

/** What a finding says to people: what is wrong, and the one change that mends it. */
export type FindingWords = { message: string; fix: string }

/** Marks a finding that was kept with its words, by a version that knew no other form: they stand in its data. */
const KEPT_IN_WORDS = 'kept-in-words'

/** A finding's words, made from its check's messages and its own data. */
export function inWords({
  rule,
  said,
  data,
  column = null,
}: Pick<Finding, 'rule' | 'said' | 'data'> & Partial<Pick<Finding, 'column'>>): FindingWords {
  if (said === KEPT_IN_WORDS) return { message: String(data?.['message'] ?? ''), fix: String(data?.['fix'] ?? '') }
  const message = checkOf(rule)?.messages[said]
  if (!message) throw new Error(`Check ${rule} has no message “${said}”.`)
  return {
    message: withoutUnnamedHost(fillWords(message.says, data)),
    fix: possibleFix(fillWords(message.fix, placed(data, column))),
  }
}

/** From this column on, a line alone does not say where a tag is: minified pages have everything on one. */
const FAR = 300

const placed = (data: Finding['data'], column: number | null): Finding['data'] =>
  column !== null && column > FAR && data?.['line'] !== undefined
    ? { ...data, line: `${data['line']}, column ${column}` }
    : data

/** A URL of a site that has no production URL yet can't be written: what is needed first is said in its place. */
const possibleFix = (fix: string): string =>
  withoutUnnamedHost(fix) === fix ? fix : 'Needs the production URL: give it, and the whole URL can be written.'

/** What mends a finding, said for all pages that have it: no line is named. */
export function fixAnywhere(finding: Pick<Finding, 'rule' | 'said' | 'data'>): string {
  const anywhere = checkOf(finding.rule)?.messages[finding.said]?.anywhere
  return anywhere === undefined ? inWords(finding).fix : possibleFix(fillWords(anywhere, finding.data))
}

/** A finding as it was kept before findings were data. */
export function fromWords<T extends object>(kept: T & { message?: unknown; fix?: unknown }): object {
  const { message, fix, ...rest } = kept
  return message === undefined ? kept : { ...rest, said: KEPT_IN_WORDS, data: { message, fix } }
}
