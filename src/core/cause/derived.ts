import { ownPart } from '../check'
import type { GatheredPage } from '../model'
import { changedPage } from './change'
import { OF_TITLE } from './desk'
import type { PageChange } from './plan'

/** What a template makes of another text of the page is made of the text that is there in the end. */
export function derived(page: GatheredPage, own: readonly PageChange[], siteNames: readonly string[]): GatheredPage {
  const hasNewTitle = own.some(({ change }) => change.kind === 'say' && change.tag === 'title')
  const made = own.find(({ term, change }) => term === OF_TITLE && change.kind === 'say')
  if (!hasNewTitle || !made || !page.facts?.title || made.change.kind !== 'say') return page
  return changedPage(page, [{ ...made.change, value: ownPart(page.facts.title, siteNames) }])
}
