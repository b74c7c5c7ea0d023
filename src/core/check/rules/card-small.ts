import { cardKindOf, metasOf, surfaceOf } from '../../surface'
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
      mend: { say: 'twitter:card', as: 'summary_large_image' },
    },
  },
  check(page, context) {
    const tag = metasOf(page.facts, 'twitter:card')[0]
    if (!tag || cardKindOf(page.facts) !== 'summary') return []
    const microblog = surfaceOf('microblog')!
    const { url } = context.pictureOf(page, microblog).image
    const image = url === null ? undefined : context.images.get(url)
    const least = microblog.picture!.largeFrom.value
    if (!image || image.width === null || image.height === null) return []
    const isWideEnough = image.width >= least.width && image.height >= least.height
    // An upright or square picture is rightly shown small.
    if (!isWideEnough || image.width < 1.5 * image.height) return []
    return [{ message: 'small', at: tag, data: { width: image.width, height: image.height, line: tag.line } }]
  },
})
