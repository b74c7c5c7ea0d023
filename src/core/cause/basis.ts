import { type CheckContext, defaultPicture } from '../check'
import { describedKind } from '../requirements'
import { firstValue, publicImageUrl } from '../surface'
import { collapseWhiteSpace, isBlank } from '../text'
import type { ReadPage } from './desk'

const PLAIN: Readonly<Record<string, string>> = {
  'html lang': 'the language of its text',
  'twitter:card': 'the size of its image',
  'og:site_name': 'what other pages and titles call the site',
  'og:image:width': 'the image file',
  'og:image:height': 'the image file',
  'og:image:alt': 'the alternative text of the same image in its content',
  'og:locale': '<html lang>',
  'twitter:site': 'the account that other pages name',
}

const isTextTag = (tag: string) => /^(?:title|description|(?:og|twitter):(?:title|description))$/.test(tag)

/** Where on the page a text is said, too; null where nowhere. */
function textBasis(tag: string, value: string, { facts }: ReadPage): string | null {
  const own = collapseWhiteSpace(value.trim())
  const tags = ['og:title', 'og:description', 'twitter:title'].filter((key) => key !== tag)
  const said: [string, string | null][] = [
    ...(tag === 'title' ? [] : [['its title', facts.title] as [string, string | null]]),
    ['its heading', facts.h1],
    ...(tag === 'description' ? [] : [['its description', facts.description] as [string, string | null]]),
    ...tags.map((key): [string, string | null] => [`its ${key}`, firstValue(facts, key)]),
    ['its first paragraph', facts.firstParagraph],
  ]
  // The whole first: a title that only begins with the words says less.
  const whole = said.find(([, text]) => text !== null && collapseWhiteSpace(text.trim()) === own)
  const within = said.find(([, text]) => !isBlank(text) && collapseWhiteSpace(text!.trim()).includes(own))
  return (whole ?? within)?.[0] ?? null
}

function typeBasis(value: string, page: ReadPage, { addresses, sections, readable }: CheckContext): string | null {
  if (page.url === addresses.site) return 'it is the home page'
  if (describedKind(page.facts) !== null) return 'its JSON-LD'
  if (firstValue(page.facts, 'article:published_time') !== null) return 'its article:published_time'
  const section = sections.get(page.url)
  const isUsual = readable.some(
    ({ url, facts }) => url !== page.url && sections.get(url) === section && firstValue(facts, 'og:type') === value,
  )
  return isUsual ? 'the other pages of its section' : null
}

/**
 * What says that a tag should have this value, beside the finding that asks for it: a sign that a reader can look up.
 * null where the value is the finding's own.
 */
export function basisOf(tag: string, value: string, page: ReadPage, context: CheckContext): string | null {
  if (isTextTag(tag)) return textBasis(tag, value, page)
  if (value === page.url && (tag === 'canonical' || tag === 'og:url')) {
    const { siteFrom } = context.gathering.source
    return siteFrom === undefined ? 'its own URL' : `its own URL; the site is named by ${siteFrom}`
  }
  if (tag === 'og:type') return typeBasis(value, page, context)
  if (tag === 'og:image') {
    if (value === defaultPicture(context)) return 'the image that most pages share'
    const isShown = page.facts.contentImages.some(({ src }) => publicImageUrl(page, src, context) === value)
    if (isShown) return 'an image of its content'
    return context.images.get(value)?.errorCode === null ? 'the image is there under that URL' : null
  }
  return PLAIN[tag] ?? null
}
