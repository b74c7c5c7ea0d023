import { type CheckContext, usualAffix } from '../check'
import { firstValue } from '../surface'
import { usualOf } from '../text'

/** An address in place of a name. */
const IS_ADDRESS = /^(?:https?:|www\.)|^\S+\.[a-z]{2,}\/?$/i

/** What an edit calls the site: as the requirements do, else most pages, else their titles, else JSON-LD; null: nothing does. */
export function nameOfSite(context: CheckContext): string | null {
  const { readable, requirements } = context
  const said = readable
    .flatMap(({ facts }) => firstValue(facts, 'og:site_name') ?? [])
    .filter((name) => !IS_ADDRESS.test(name))
  const inJsonLd = readable.flatMap(({ facts }) => facts.jsonLd.flatMap(({ siteNames = [] }) => siteNames[0] ?? []))
  return requirements.identity?.name ?? usualOf(said) ?? usualAffix(context)?.name ?? usualOf(inJsonLd)
}
