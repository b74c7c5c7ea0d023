import { checkOf } from '../check'
import type { Finding, MetaFact, PageFacts } from '../model'

/** What a finding is about: findings about one thing are mostly mended by one change. */
export type Subject =
  | 'title'
  | 'description'
  | 'picture'
  | 'type'
  | 'card'
  | 'address'
  | 'site-name'
  | 'account'
  | 'language'
  | 'rich-data'
  | 'share-links'
  | 'access'
  | 'head'
  | 'tags'

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

const BY_RULE: [RegExp, Subject][] = [
  [/^(?:title|og-title)/, 'title'],
  [/^(?:description|og-description|keywords)/, 'description'],
  [/^(?:image|og-image)/, 'picture'],
  [/^og-type/, 'type'],
  [/^card/, 'card'],
  [/^(?:og-url|canonical|address)/, 'address'],
  [/^(?:site-name|identity)/, 'site-name'],
  [/^(?:account|app-id)/, 'account'],
  [/^(?:language|locale|alternate)/, 'language'],
  [/^(?:rich|json-ld)/, 'rich-data'],
  [/^share-link/, 'share-links'],
  [/^(?:page|crawler|staging|sitemap|favicon|feed|pagination)/, 'access'],
  [/^(?:charset|tag-outside|tag-late|tag-from)/, 'head'],
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
  const byRule = firstMatch(BY_RULE, finding.rule)
  if (byRule) return byRule
  return (tag && firstMatch(BY_KEY, tag.key)) ?? 'tags'
}

/** The tag that a rule says is missing. */
export const MISSING_TAG: Readonly<Record<string, string>> = {
  'title-missing': 'title',
  'og-title-missing': 'og:title',
  'description-missing': 'description',
  'og-description-missing': 'og:description',
  'og-image-missing': 'og:image',
  'image-alt-missing': 'og:image:alt',
  'image-size-undeclared': 'og:image:width',
  'og-type-missing': 'og:type',
  'og-url-missing': 'og:url',
  'card-missing': 'twitter:card',
  'site-name-missing': 'og:site_name',
  'canonical-missing': 'canonical',
  'language-missing': 'html lang',
}
