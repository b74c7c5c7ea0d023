import { isBlank } from '../../text'
import { eachDeclaredImage, sizedImage } from '../declared-images'
import { defineCheck } from '../define-check'

const SIDES = new Set(['og:image:width', 'og:image:height'])

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
      repair: [
        { do: 'setTag', tag: 'og:image:width', to: '{width}' },
        { do: 'setTag', tag: 'og:image:height', to: '{height}' },
      ],
    },
    unit: {
      says: '{key} is “{seen}”. It must be a number of pixels, without a unit.',
      fix: 'Change it to {number} on line {line}.',
      anywhere: 'Change it to the number alone.',
      repair: { do: 'setTag', tag: '{key}', to: '{number}' },
    },
    noNumber: {
      says: '{key} is “{seen}”, which is no number of pixels.',
      fix: 'Give it the width or height of the file, or remove it; line {line}.',
      anywhere: 'Give it the width or height of the file, or remove it.',
      repair: { do: 'setTag', tag: '{key}' },
    },
  },
  check(page, context) {
    const written = page.facts.metas.filter(({ key, value }) => SIDES.has(key) && !isBlank(value))
    const odd = written.filter(({ value }) => !/^\d{1,9}$/.test(value!.trim()))
    if (odd.length > 0) {
      return odd.map((meta) => {
        const seen = meta.value!.trim()
        const number = declaredPx(seen)
        const data = { key: meta.key, seen, number: number ?? '', line: meta.line }
        return { message: number === null ? 'noNumber' : 'unit', at: meta, data }
      })
    }
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
