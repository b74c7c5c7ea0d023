import { eachDeclaredImage, sizedImage } from '../declared-images'
import { defineCheck } from '../define-check'

/** A declared side that is a number; null for none, or for what is no number. */
const declaredPx = (value: string | null | undefined) =>
  /^\d{1,9}\s*(?:px)?$/i.test((value ?? '').trim()) ? Number.parseInt(value!, 10) : null

export const imageSizeMismatch = defineCheck({
  id: 'image-size-mismatch',
  label: 'size differs',
  subject: 'picture',
  family: 'image',
  level: 'warning',
  scope: 'page',
  looksAt: 'og:image:width and og:image:height against the file.',
  why: 'Places lay the card out by the declared size before they have the picture.',
  messages: {
    differs: {
      says: '{url} is declared {declared} and is {real}.',
      fix: 'Write og:image:width {width} and og:image:height {height}, or use the picture that was meant.',
      mend: [
        { say: 'og:image:width', as: '{width}' },
        { say: 'og:image:height', as: '{height}' },
      ],
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image, { group }) => {
      const size = sizedImage(image)
      const width = declaredPx(group?.width?.value)
      const height = declaredPx(group?.height?.value)
      if (!size || ((width ?? size.width) === size.width && (height ?? size.height) === size.height)) return null
      const declared = `${width ?? '?'} × ${height ?? '?'}`
      return { message: 'differs', data: { url: image.url, declared, real: `${size.width} × ${size.height}`, ...size } }
    })
  },
})
