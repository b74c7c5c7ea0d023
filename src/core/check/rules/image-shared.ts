import { addTo, groupBy } from '../../text'
import type { CheckContext } from '../context'
import { defineCheck } from '../define-check'
import { mayBeCompared } from '../duplicates'

/** Fewer pages than this say nothing about habits. */
const MIN_PAGES = 3

export const imageShared = defineCheck({
  id: 'image-shared',
  label: 'picture shared',
  subject: 'picture',
  family: 'image',
  level: 'warning',
  scope: 'site',
  looksAt: 'How many pages share one picture.',
  why: 'When every link shows the same picture, no link stands out.',
  messages: {
    section: {
      says: 'All {count} pages of {section}, which need pictures of their own, share {url}.',
      fix: 'Give each of these pages its own picture.',
      repair: { do: 'askPerson', needs: 'a picture of its own for each page' },
    },
    half: {
      says: '{count} of {all} pages share one picture, {url}.',
      fix: 'Give pages that have a good picture of their own that one, and keep the default for the rest.',
      repair: { do: 'askPerson', needs: 'a picture of its own for each page that has one' },
    },
  },
  check(context) {
    const ofSections = sharedBySections(context)
    const pagesOf = new Map<string, string[]>()
    const asked = context.readable.filter((page) => mayBeCompared(context.ruleFor(page), 'picture'))
    for (const page of asked) {
      const url = context.declaredImages(page)[0]?.url
      if (url) addTo(pagesOf, url, page.url)
    }
    const all = asked.length
    const ofSite = [...pagesOf]
      .filter(([, pages]) => pages.length >= MIN_PAGES && pages.length * 2 >= all)
      .map(([url, pages]) => ({ message: 'half', pages, image: url, data: { url, count: pages.length, all } }))
    const said = new Set(ofSite.map(({ image }) => image))
    return [...ofSite, ...ofSections.filter(({ image }) => !said.has(image))]
  },
})

/** Sections whose pages need pictures of their own, and all have one and the same. */
function sharedBySections(context: CheckContext) {
  const needing = context.readable.filter((page) => context.ruleFor(page).requires.has('own-picture'))
  return [...groupBy(needing, (page) => context.sections.get(page.url) ?? '/')].flatMap(([section, pages]) => {
    const urls = new Set(pages.map((page) => context.declaredImages(page)[0]?.url))
    const [url] = urls
    if (urls.size !== 1 || url === undefined || pages.length < 2) return []
    const data = { section, url, count: pages.length }
    return [{ message: 'section', pages: pages.map((page) => page.url), image: url, data }]
  })
}
