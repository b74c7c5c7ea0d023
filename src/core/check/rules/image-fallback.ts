import { defineCheck, skipCheck } from '../define-check'

export const imageFallback = defineCheck({
  id: 'image-fallback',
  label: 'picture by chance',
  subject: 'picture',
  alsoReads: ['card'],
  family: 'image',
  level: 'warning',
  scope: 'page',
  looksAt: 'Pages that declare no picture, and what places then take.',
  why: 'The first picture of the content is seldom the one a person would choose.',
  messages: {
    taken: {
      says: 'No picture is declared. From the content one is taken, {url}: {places}.',
      fix: 'Declare the picture you want with og:image.',
      repair: { do: 'setTag', tag: 'og:image' },
    },
  },
  check(page, context) {
    if (context.declaredImages(page).length > 0) return []
    const taking = context.surfaces.filter((surface) => context.pictureOf(page, surface).image.from === 'content-image')
    const first = taking[0] && context.pictureOf(page, taking[0]).image
    if (!first?.url || first.line === null || first.column === null) return []
    // What could not be looked at may be too small to be taken.
    if (context.images.get(first.url)?.errorCode === 'not-looked-at') return skipCheck('image-not-fetched')
    const places = taking.map((surface) => surface.name).join(', ')
    return [
      {
        message: 'taken',
        at: { line: first.line, column: first.column },
        image: first.url,
        data: { places, url: first.url },
      },
    ]
  },
})
