import { defineCheck } from '../define-check'
import { ownPart } from '../own-part'
import { siteNames } from '../site-names'

export const titleCut = defineCheck({
  id: 'title-cut',
  label: 'title cut',
  subject: 'title',
  alsoReads: ['site-name'],
  family: 'text',
  level: 'note',
  scope: 'page',
  hangsOn: 'names',
  looksAt: 'The title on every surface, broken by the measure of its box.',
  why: 'What a place cuts off is not read: the word that tells pages apart may be among it.',
  messages: {
    cut: {
      says: 'The title is cut on {places}: “{lost}” is lost.',
      fix: 'Move what matters to the front, or shorten it; line {line}.',
      anywhere: 'Move what matters to the front, or shorten it.',
      repair: { do: 'rewriteText', text: 'title' },
    },
  },
  check(page, context) {
    // The tab of a browser cuts nearly every title: to say so of each page would say nothing.
    const cut = context.surfaces.flatMap((surface) => {
      if (surface.token === null) return []
      const title = context.titleOf(page, surface)
      if (!title.cut || title.text === null) return []
      // What follows the page's own part is the site's name: it is no loss there.
      const isOwnPartShown = title.shown.startsWith(ownPart(title.text, siteNames(page, context)))
      return isOwnPartShown ? [] : [{ name: surface.name, title }]
    })
    if (cut.length === 0) return []
    const shortest = cut.reduce((least, one) => (one.title.shown.length < least.title.shown.length ? one : least)).title
    const lost = (shortest.text ?? '').slice(shortest.shown.length).trim()
    const at = shortest.line === null ? null : { line: shortest.line, column: shortest.column ?? 1 }
    const places = cut.map(({ name }) => name).join(', ')
    return [{ message: 'cut', at, data: { places, lost, line: at?.line ?? 0 } }]
  },
})
