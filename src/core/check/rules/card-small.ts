import { cardKindOf, metasOf } from '../../surface'
import { defineCheck } from '../define-check'

export const cardSmall = defineCheck({
  id: 'card-small',
  label: 'small card',
  subject: 'card',
  alsoReads: ['picture'],
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  looksAt: 'twitter:card beside the size of the picture.',
  why: 'The small card shows a stamp of a picture that is large enough for the large card.',
  messages: {
    small: {
      says: 'twitter:card asks for the small card, though the picture of {width} × {height} is large enough for the large one.',
      fix: 'Write summary_large_image on line {line}, unless the small card is meant.',
      anywhere: 'Write summary_large_image, unless the small card is meant.',
      repair: { do: 'setTag', tag: 'twitter:card', to: 'summary_large_image' },
    },
  },
  check(page, context) {
    const tag = metasOf(page.facts, 'twitter:card')[0]
    if (!tag || cardKindOf(page.facts) !== 'summary') return []
    // Where the tag alone decides: elsewhere the card is small for other reasons too.
    for (const surface of context.allSurfaces.filter(({ layoutBy }) => layoutBy === 'card-kind')) {
      const { url } = context.pictureOf(page, surface).image
      const image = url === null ? undefined : context.images.get(url)
      const least = surface.picture?.largeFrom.value
      if (!image || !least || image.width === null || image.height === null) continue
      const isWideEnough = image.width >= least.width && image.height >= least.height
      // An upright or square picture is rightly shown small.
      if (!isWideEnough || image.width < 1.5 * image.height) continue
      return [{ message: 'small', at: tag, data: { width: image.width, height: image.height, line: tag.line } }]
    }
    return []
  },
})
