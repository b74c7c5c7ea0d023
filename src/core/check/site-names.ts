import type { GatheredPage, PageFacts } from '../model'
import { firstValue, metaCandidates } from '../surface'
import { forLast, groupBy } from '../text'
import type { CheckContext } from './context'
import { ownPart } from './own-part'
import { usualAffix, usualName } from './rules/identity-differs'

type ReadPage = GatheredPage & { facts: PageFacts }

/**
 * What a site is called, as its pages say. `site`: the og:site_name that most give, else what most of their titles end or
 * begin with. `sections`: what most titles of one section end or begin with, where they don't carry a name that is known
 * otherwise: a part of a site may have a name that stands nowhere else.
 */
export type SiteCalled = { site: string | null; sections: Readonly<Record<string, string>> }

/** Nothing is known of what a site is called. */
export const uncalled: SiteCalled = { site: null, sections: {} }

/** What pages call their site, and its sections. */
export function siteCalled(pages: readonly GatheredPage[], sectionOf: (url: string) => string): SiteCalled {
  const readable = pages.filter((page): page is ReadPage => page.facts !== null)
  const site = usualName({ readable })?.name ?? usualAffix({ readable })?.name ?? null
  return { site, sections: sectionNames(readable, sectionOf, [site]) }
}

/** The names that may stand on the titles of a section, the most certain first. */
export const namesIn = ({ site, sections }: SiteCalled, section: string): (string | null)[] => [
  site,
  Object.hasOwn(sections, section) ? sections[section]! : null,
]

/** What titles of a section carry where they carry none of the known names; a name that is known needs no finding. */
function sectionNames(
  readable: readonly ReadPage[],
  sectionOf: (url: string) => string,
  known: readonly (string | null)[],
): Record<string, string> {
  const names: [string, string][] = []
  for (const [section, pages] of groupBy(readable, ({ url }) => sectionOf(url))) {
    const found = usualAffix({ readable: pages })?.name
    if (found === undefined) continue
    const isNamed = ({ facts }: ReadPage) => {
      const title = facts.title ?? ''
      return ownPart(title, [firstValue(facts, 'og:site_name'), ...known]) !== ownPart(title, null)
    }
    if (pages.filter(isNamed).length * 2 < pages.length) names.push([section, found])
  }
  // A path is a section's name: one called like a method of objects must stay a plain key.
  return Object.fromEntries(names)
}

const known = new WeakMap<CheckContext, SiteCalled>()

/** Lets a context know what the run calls its site where it has not the pages that would tell. */
export function callSite(context: CheckContext, called: SiteCalled): void {
  known.set(context, called)
}

/** What the run says that the site and its sections are called, the requirements first. */
export function calledIn(context: CheckContext): SiteCalled {
  const before = known.get(context)
  if (before) return before
  const wanted = context.requirements.identity?.name ?? null
  const affix = usualAffix(context)?.name ?? null
  const sectionOf = (url: string) => context.sections.get(url) ?? '/'
  const called = { site: affix, sections: sectionNames(context.readable, sectionOf, [wanted, affix]) }
  known.set(context, called)
  return called
}

const namesOfLast = forLast<readonly (string | null)[]>()

/** What the site is called as far as a page and the run say: og:site_name, the requirements, what most titles end or begin with. */
export const siteNames = (page: ReadPage, context: CheckContext): readonly (string | null)[] =>
  namesOfLast(page, context, '', () => [
    metaCandidates(page.facts, 'og:site_name')[0]?.value ?? null,
    context.requirements.identity?.name ?? null,
    ...namesIn(calledIn(context), context.sections.get(page.url) ?? '/'),
  ])

/** Names that titles of single sections carry, where no tag names them. */
export const namesOfSections = (context: CheckContext): string[] => Object.values(calledIn(context).sections)
