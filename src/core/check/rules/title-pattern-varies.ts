import { firstValue } from '../../surface'
import { collapseWhiteSpace, groupBy } from '../../text'
import { defineCheck, type SiteRaised } from '../define-check'
import { titleParts } from '../placeholder'

/** Fewer titles with the site's name show no habit. */
const MIN_PAGES = 4
/** From this share on a way of writing is the section's own. */
const HABIT = 0.7

/** Where the site's name stands, and what parts it from the page's: ` | …` or `… | `; null where it stands nowhere. */
function shapeOf(title: string, name: string): string | null {
  const lower = title.toLowerCase()
  const own = name.toLowerCase()
  // What the page itself is called may hold the name of the site: only parts of the title count.
  if (titleParts(title).filter((part) => part.toLowerCase() === own).length > 1) return 'twice'
  const at = title.length - name.length
  const start = at > 0 && lower.endsWith(own) ? separatorStart(title, at) : null
  const after = lower.startsWith(own) ? separatorEnd(title, name.length) : null
  if (start !== null && after !== null && after <= start) return 'twice'
  if (start !== null) return `${title.slice(start, at)}name`
  return after === null ? null : `name${title.slice(name.length, after)}`
}

const SEPARATORS = new Set('|–—·•»«:,-')

const isSpace = (sign: string | undefined) => sign !== undefined && sign.trim() === ''

/** Where a separator starts, with the spaces around it, that ends here; null where none does. */
function separatorStart(title: string, end: number): number | null {
  let at = end
  while (isSpace(title[at - 1])) at--
  if (at === 0 || !SEPARATORS.has(title[at - 1]!)) return null
  at--
  while (isSpace(title[at - 1])) at--
  return at
}

/** Where a separator ends that starts here; null where none does. */
function separatorEnd(title: string, start: number): number | null {
  let at = start
  while (isSpace(title[at])) at++
  if (!SEPARATORS.has(title[at] ?? '')) return null
  at++
  while (isSpace(title[at])) at++
  return at
}

export const titlePatternVaries = defineCheck({
  id: 'title-pattern-varies',
  label: 'title pattern varies',
  subject: 'title',
  alsoReads: ['site-name'],
  family: 'text',
  level: 'note',
  scope: 'site',
  looksAt: 'How the page’s and the site’s name are put together in the titles of a section.',
  why: 'Titles of one kind that are built in different ways look like those of different sites.',
  messages: {
    varies: {
      says: 'Titles of {section} ({count}) are not built like the others, which end or begin as in “{habit}”.',
      fix: 'Use one order and one separator for the section.',
      repair: { do: 'retitle', like: '{habit}' },
    },
    twice: {
      says: 'Titles of {section} ({count}) hold the site’s name twice.',
      fix: 'Let either the page’s title or the template add it.',
      repair: { do: 'retitle', like: '' },
    },
  },
  check(context): SiteRaised[] {
    return [...groupBy(context.readable, (page) => context.sections.get(page.url) ?? '/')].flatMap(
      ([section, pages]): SiteRaised[] => {
        const shaped = pages.flatMap((page) => {
          const name = firstValue(page.facts, 'og:site_name')
          const shape = name && page.facts.title ? shapeOf(collapseWhiteSpace(page.facts.title), name) : null
          return shape === null ? [] : [{ page, shape }]
        })
        const twice = shaped.filter(({ shape }) => shape === 'twice').map(({ page }) => page.url)
        const once = shaped.filter(({ shape }) => shape !== 'twice')
        const [habit] = [...groupBy(once, ({ shape }) => shape)].sort(([, a], [, b]) => b.length - a.length)
        const others = once.filter(({ shape }) => shape !== habit?.[0]).map(({ page }) => page.url)
        const isHabit = habit !== undefined && once.length >= MIN_PAGES && habit[1].length >= HABIT * once.length
        return [
          ...(twice.length > 0 ? [{ message: 'twice', pages: twice, data: { section, count: twice.length } }] : []),
          ...(isHabit && others.length > 0
            ? [
                {
                  message: 'varies',
                  pages: others,
                  data: { section, count: others.length, habit: habit[1][0]!.page.facts.title! },
                },
              ]
            : []),
        ]
      },
    )
  },
})
