import { baseOf, resolveAddress } from '../address'
import type { GatheredPage, LinkFact, PageFacts } from '../model'
import type { CheckContext } from './context'
import { knownPage } from './known-page'

/** Links to the same page in other languages. */
export function alternatesOf(page: GatheredPage, context: CheckContext): { link: LinkFact; url: string }[] {
  return (page.facts?.links ?? []).flatMap((link) => {
    if (!link.hreflang || !link.rel.split(' ').includes('alternate')) return []
    const url = resolveAddress(link.href, baseOf(page.url, page.facts?.base ?? null))
    return url === null ? [] : [{ link, url: context.addresses.toPublic(url) }]
  })
}

/** Are these pages one page in several languages, as one of them says? */
export function areLanguageVersions(urls: readonly string[], context: CheckContext): boolean {
  return urls.some((url) => {
    const found = knownPage(url, context)
    if (found.kind !== 'page') return false
    const versions = new Set(
      alternatesOf(found.page, context).flatMap((alternate) => {
        const target = knownPage(alternate.url, context)
        return target.kind === 'page' ? [target.page.url] : []
      }),
    )
    return urls.every((other) => other === found.page.url || versions.has(other))
  })
}

/** The language of a page without its region, as it says itself: `de` of de-AT; '' where it says none. */
export const primaryLanguage = ({ language }: Pick<PageFacts, 'language'>): string =>
  language?.trim().toLowerCase().split(/[-_]/)[0] ?? ''
