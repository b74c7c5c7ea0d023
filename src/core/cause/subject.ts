import { checkOf, type Subject } from '../check'
import type { Finding, MetaFact, PageFacts } from '../model'

const BY_KEY: [RegExp, Subject][] = [
  [/^(?:og|twitter):title$|^title$/, 'title'],
  [/^(?:og|twitter):description$|^description$|^keywords$/, 'description'],
  [/^(?:og|twitter):image/, 'picture'],
  [/^og:type$|^(?:article|book|profile|product|music|video):/, 'type'],
  [/^twitter:card$|^twitter:(?:player|app)/, 'card'],
  [/^og:url$/, 'address'],
  [/^og:site_name$/, 'site-name'],
  [/^twitter:(?:site|creator)|^fb:/, 'account'],
  [/^og:locale/, 'language'],
]

const firstMatch = (list: readonly [RegExp, Subject][], text: string) =>
  list.find(([pattern]) => pattern.test(text))?.[1]

/** The tag that a finding points at; undefined where it points at none. */
export function tagOf(finding: Finding, facts: PageFacts | null): MetaFact | undefined {
  if (finding.line === null) return undefined
  return facts?.metas.find(({ line, column }) => line === finding.line && column === finding.column)
}

/** Is the finding about a picture itself, whichever page names it? */
export const isAboutPicture = (finding: Finding): boolean =>
  finding.image !== undefined && checkOf(finding.rule)?.scope === 'image'

/** What a finding is about: by the tag that it points at where its rule is one of many tags, else by its rule. */
export function subjectOf(finding: Finding, tag: MetaFact | undefined): Subject {
  return checkOf(finding.rule)?.subject ?? (tag && firstMatch(BY_KEY, tag.key)) ?? 'tags'
}

/** The tag that a rule says is missing; undefined for a rule about anything else. */
export const tagLackedBy = (rule: string): string | undefined => checkOf(rule)?.lacks

/** Is the way the tag is written what is wrong, whatever it says? */
export const isOfForm = ({ rule, form }: Finding): boolean => form === true || checkOf(rule)?.isOf === 'form'

/** Is a tag missing beside the one that the finding points at? */
export const isBeside = ({ rule }: Finding): boolean => checkOf(rule)?.isOf === 'beside'
