import { isNamedSite, pathnameOf } from '../address'
import type { Gathering } from '../model'
import { kindsOfSections, type Requirements } from '../requirements'
import { findSections } from '../section'

/** Sections that are proposed at most: a site has a handful of templates. */
const MOST_SECTIONS = 30

/**
 * What the requirements of a site could begin with: its production URL where something names it, and the sections that
 * were found, each with the kind that most of its pages say they are.
 */
export function proposedRequirements(gathering: Gathering): Pick<Requirements, 'site' | 'sections'> {
  const { site } = gathering.source
  const found = findSections(gathering.pages, site)
  const kinds = kindsOfSections(gathering.pages, found)
  const counts = new Map<string, number>()
  for (const section of found.values()) counts.set(section, (counts.get(section) ?? 0) + 1)
  const home = pathnameOf(site)
  const sections = [...counts]
    .filter(([section, pages]) => pages > 1 && section !== home)
    .sort(([a, more], [b, less]) => less - more || (a < b ? -1 : 1))
    .slice(0, MOST_SECTIONS)
    .map(([section]) => [section, { kind: kinds.get(section) ?? 'website' }] as const)
  return { ...(isNamedSite(site) ? { site } : {}), sections: Object.fromEntries(sections) }
}
