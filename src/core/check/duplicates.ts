import { pathnameOf } from '../address'
import type { GatheredPage } from '../model'
import type { PageRule, Shareable } from '../requirements'
import { withoutUnseenSigns } from '../text'
import type { CheckContext } from './context'
import type { Raised } from './define-check'
import { languageVersionsOf } from './language-versions'

/** Is it a fault when this page says what another says? Not where it is never shared, or may have it in common. */
export const mayBeCompared = (rule: PageRule, what: Shareable): boolean => !rule.isNotShared && !rule.mayShare.has(what)

/**
 * Groups pages that say the same to the eye; only groups of two and more. Pages that are one page in several languages
 * count as one: what was never translated is no duplicate.
 */
export function pagesThatShare(
  pages: Iterable<GatheredPage>,
  textOf: (page: GatheredPage) => string | null,
  context: CheckContext,
): Map<string, string[]> {
  const groups = new Map<string, { text: string; urls: string[] }>()
  for (const page of pages) {
    const text = textOf(page)
    const seen = text === null ? '' : withoutUnseenSigns(text)
    if (seen === '') continue
    const group = groups.get(seen)
    if (group) group.urls.push(page.url)
    else groups.set(seen, { text: text!, urls: [page.url] })
  }
  const shared = [...groups.values()].filter(({ urls }) => urls.length > 1 && !areVersions(urls, context))
  return new Map(shared.map(({ text, urls }) => [text, urls]))
}

/** Is every page a language version of the first, as they say or by their paths: `/de/a` of `/en/a`? */
function areVersions(urls: readonly string[], context: CheckContext): boolean {
  const paths = new Set(urls.map((url) => pathWithoutLanguage(url, context)))
  if (paths.size === 1) return true
  const versions = languageVersionsOf(urls[0]!, context)
  return urls.every((url) => versions.has(url))
}

/** `pt-BR`, `zh_Hant`: folders of nothing else are called so. */
const LANGUAGE_AND_REGION = /^[a-z]{2}[-_](?:[A-Z]{2}|[A-Z][a-z]{3})$/

const languagesIn = new WeakMap<CheckContext, ReadonlySet<string>>()

/** What pages say that they are written in, whole and without the region, in lower case. */
function languagesOf(context: CheckContext): ReadonlySet<string> {
  const known = languagesIn.get(context)
  if (known) return known
  const said = context.readable.flatMap(({ facts }) => facts.language?.trim().toLowerCase().replaceAll('_', '-') ?? [])
  const made = new Set(said.flatMap((language) => [language, language.split('-')[0]!]).filter(Boolean))
  languagesIn.set(context, made)
  return made
}

/** The path of a page without the folder that names its language, where one of its folders does. */
function pathWithoutLanguage(url: string, context: CheckContext): string {
  const languages = languagesOf(context)
  const folders = pathnameOf(url).split('/')
  const isLanguage = (folder: string) =>
    LANGUAGE_AND_REGION.test(folder) || languages.has(folder.toLowerCase().replaceAll('_', '-'))
  const at = folders.findIndex(isLanguage)
  return at < 0 ? folders.join('/') : folders.toSpliced(at, 1).join('/')
}

/** One finding a group. */
export function raiseShared(groups: Map<string, string[]>): (Raised & { pages: string[] })[] {
  return [...groups].map(([text, pages]) => ({ message: 'shared', pages, data: { text, count: pages.length } }))
}
