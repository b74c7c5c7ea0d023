import { type CheckContext, generatorOf, placeholderIn, primaryLanguage, usualAffix } from '../check'
import type { PageFacts } from '../model'
import { firstValue } from '../surface'
import { groupBy, usualOf } from '../text'

/** An address in place of a name. */
const IS_ADDRESS = /^(?:https?:|www\.)|^\S+\.[a-z]{2,}\/?$/i

type Named = Pick<CheckContext, 'readable' | 'requirements'>

/** What an edit calls the site: as the requirements do, else most pages, else their titles, else JSON-LD; null: nothing does. */
export function nameOfSite({ readable, requirements }: Named): string | null {
  // What a starter, or the generator itself, is called is no site's name.
  const generators = new Set(readable.flatMap(({ facts }) => generatorOf(facts)?.toLowerCase() ?? []))
  const isName = (name: string) =>
    !IS_ADDRESS.test(name) && !generators.has(name.toLowerCase()) && placeholderIn(name, name) === null
  const said = readable.flatMap(({ facts }) => firstValue(facts, 'og:site_name') ?? []).filter(isName)
  const affixes = [usualAffix({ readable })?.name ?? ''].filter((name) => name !== '' && isName(name))
  const inJsonLd = readable.flatMap(({ facts }) => facts.jsonLd.flatMap(({ siteNames = [] }) => siteNames[0] ?? []))
  return requirements.identity?.name ?? usualOf(said) ?? affixes[0] ?? usualOf(inJsonLd.filter(isName))
}

/**
 * What an edit calls the site on pages of each language: a name that only pages of another language have is none of
 * theirs, unless two languages agree on it.
 */
export function namesByLanguage({ readable, requirements }: Named): (page: { facts: PageFacts }) => string | null {
  const groups = groupBy(readable, ({ facts }) => primaryLanguage(facts))
  const whole = nameOfSite({ readable, requirements })
  groups.delete('')
  if (groups.size < 2) return () => whole
  const names = new Map(
    [...groups].map(([language, pages]) => [language, nameOfSite({ readable: pages, requirements })]),
  )
  const counts = groupBy(
    [...names.values()].filter((name) => name !== null),
    (name) => name,
  )
  const shared = [...counts].find(([, own]) => own.length > 1)?.[0] ?? null
  return ({ facts }) => {
    const language = primaryLanguage(facts)
    return language === '' ? whole : (names.get(language) ?? shared)
  }
}
