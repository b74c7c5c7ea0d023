import type { ByteView } from '../bytes'
import type { FormatReader } from '../format-reader'

/** A root element further in than this is no picture that anyone serves. */
const LOOK_BYTES = 4096
/** CSS units at 96 dpi. */
const PX_OF_UNIT: Record<string, number> = { '': 1, px: 1, pt: 96 / 72, pc: 16, in: 96, cm: 96 / 2.54, mm: 96 / 25.4 }

function head(view: ByteView): string {
  return new TextDecoder('utf-8').decode(view.bytes.subarray(0, LOOK_BYTES))
}

/** The root's start tag, found after the prolog: declaration, comments and doctype are stepped over. */
function rootTag(text: string): string | null {
  let index = text.charCodeAt(0) === 0xfeff ? 1 : 0
  for (;;) {
    while (/\s/.test(text[index] ?? '')) index++
    if (text.startsWith('<!--', index)) index = after(text, '-->', index)
    else if (text.startsWith('<?', index)) index = after(text, '?>', index)
    else if (text.startsWith('<!', index)) index = after(text, '>', index)
    else break
  }
  return /^<(?:[\w-]+:)?svg[\s>/]/i.test(text.slice(index, index + 40))
    ? text.slice(index, after(text, '>', index))
    : null
}

function after(text: string, mark: string, from: number): number {
  const found = text.indexOf(mark, from)
  return found < 0 ? text.length : found + mark.length
}

function attributeOf(tag: string, name: string): string | null {
  const found = new RegExp(`\\s${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)')`).exec(tag)
  return found ? (found[1] ?? found[2] ?? null) : null
}

function lengthPx(value: string | null): number | null {
  const found = /^\s*([\d.]+)(px|pt|pc|in|cm|mm|)\s*$/.exec(value ?? '')
  const length = found ? Number(found[1]) * PX_OF_UNIT[found[2]!]! : Number.NaN
  return length > 0 ? Math.round(length) : null
}

/** SVG: width and height in px, else the viewBox, else none. It is read as text and never rendered. */
export const svg: FormatReader = {
  format: 'svg',
  matches: (view) => rootTag(head(view)) !== null,
  read(view) {
    const tag = rootTag(head(view)) ?? ''
    const box = attributeOf(tag, 'viewBox')
      ?.trim()
      .split(/[\s,]+/)
      .map(Number)
    const [boxWidth, boxHeight] = box?.length === 4 ? [box[2]!, box[3]!] : [null, null]
    const width = lengthPx(attributeOf(tag, 'width')) ?? (boxWidth === null ? null : Math.round(boxWidth))
    const height = lengthPx(attributeOf(tag, 'height')) ?? (boxHeight === null ? null : Math.round(boxHeight))
    return { width, height, animated: false, mayBeTransparent: true }
  },
}
