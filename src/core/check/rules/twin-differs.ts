import type { GatheredPage, PageFacts } from '../../model'
import { firstValue, ogImages, publicImageUrl } from '../../surface'
import { addTo, isBlank, withoutUnseenSigns } from '../../text'
import type { CheckContext } from '../context'
import { defineCheck, type Raised } from '../define-check'
import { ownPart } from '../own-part'
import { textsOf } from '../page-texts'
import { placeholderIn } from '../placeholder'
import { siteNames } from '../site-names'

type ReadPage = GatheredPage & { facts: PageFacts }

const seenAs = (text: string) => withoutUnseenSigns(text).toLowerCase()

/** Words of four letters and more: shorter ones say nothing of a subject. */
const wordsIn = (text: string) => new Set(text.toLowerCase().match(/\p{L}{4,}/gu))

const indexes = new WeakMap<CheckContext, { titles: Map<string, string[]>; images: Map<string, string[]> }>()

/** Pages of the run by what their own og:title, or title, and their first og:image say. */
function indexOf(context: CheckContext) {
  const known = indexes.get(context)
  if (known) return known
  const titles = new Map<string, string[]>()
  const images = new Map<string, string[]>()
  for (const page of context.readable) {
    for (const title of new Set(titlesOf(page, context).map(seenAs))) addTo(titles, title, page.url)
    const image = ogImageOf(page, context)
    if (image !== null) addTo(images, image, page.url)
  }
  const made = { titles, images }
  indexes.set(context, made)
  return made
}

const titlesOf = (page: ReadPage, context: CheckContext): string[] =>
  [firstValue(page.facts, 'og:title'), page.facts.title]
    .filter((title) => title !== null && !isBlank(title))
    .map((title) => ownPart(title!, siteNames(page, context)))

function ogImageOf(page: ReadPage, context: CheckContext): string | null {
  const value = ogImages(page.facts)[0]?.forms.find((form) => !isBlank(form.value))?.value
  return value ? publicImageUrl(page, value, context) : null
}

/** Does nothing that the page says of itself share a word with the text? */
function isOfNothingHere(text: string, page: ReadPage, context: CheckContext): boolean {
  const { facts } = page
  const said = [...titlesOf(page, context), facts.h1, facts.description, firstValue(facts, 'og:description')]
  const here = wordsIn([...said, facts.firstParagraph, readableUrl(page.url)].filter((one) => one !== null).join(' '))
  const words = wordsIn(text)
  return words.size >= 2 && here.size >= 4 && [...words].every((word) => !here.has(word))
}

/** A page's path may hold a percent sign that is no escape. */
function readableUrl(url: string): string {
  try {
    return decodeURI(url)
  } catch {
    return url
  }
}

export const twinDiffers = defineCheck({
  id: 'twin-differs',
  label: 'tags disagree',
  subject: 'title',
  alsoReads: ['picture', 'description', 'site-name'],
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'twitter:title beside og:title, and twitter:image beside og:image, where they are about another page.',
  why: 'The same link shows one subject on some places, and another on the rest.',
  messages: {
    title: {
      says: 'twitter:title is “{seen}”, the title of {other}; og:title is “{own}”.',
      fix: 'Change it to “{own}” on line {line}, or remove the tag.',
      anywhere: 'Give it the page’s own title, or remove the tag.',
      repair: { do: 'removeTag', tag: 'twitter:title' },
    },
    subject: {
      says: 'twitter:title is “{seen}”; og:title is “{own}”, and nothing else on the page is about that.',
      fix: 'Change it to “{own}” on line {line}, or remove the tag.',
      anywhere: 'Give it the page’s own title, or remove the tag.',
      repair: { do: 'removeTag', tag: 'twitter:title' },
    },
    image: {
      says: '{key} is {seen}, the share image of {other}; og:image is {own}.',
      fix: 'Change it to {own} on line {line}, or remove the tag.',
      anywhere: 'Give it the page’s own image, or remove the tag.',
      repair: { do: 'removeTag', tag: '{key}' },
    },
  },
  check(page, context) {
    return [...titleFaults(page, context), ...imageFaults(page, context)]
  },
})

function titleFaults(page: ReadPage, context: CheckContext): Raised[] {
  const [twin] = textsOf(page.facts, ['twitter:title'])
  const own = titlesOf(page, context)
  if (!twin || own.length === 0 || placeholderIn(twin.text, twin.text) !== null) return []
  const names = siteNames(page, context)
  const text = ownPart(twin.text, names)
  if (
    own.some((title) => seenAs(title) === seenAs(text)) ||
    names.some((name) => name !== null && seenAs(name) === seenAs(text))
  )
    return []
  const data = { seen: twin.text, own: own[0]!, line: twin.at?.line ?? 0 }
  const others = (indexOf(context).titles.get(seenAs(text)) ?? []).filter((url) => url !== page.url)
  if (others.length > 0) return [{ message: 'title', at: twin.at, data: { ...data, other: others[0]! } }]
  return isOfNothingHere(text, page, context) ? [{ message: 'subject', at: twin.at, data }] : []
}

function imageFaults(page: ReadPage, context: CheckContext): Raised[] {
  const own = ogImageOf(page, context)
  const tag = page.facts.metas.find(
    ({ key, value }) => (key === 'twitter:image' || key === 'twitter:image:src') && !isBlank(value),
  )
  const url = tag ? publicImageUrl(page, tag.value!, context) : null
  if (!tag || own === null || url === null || url === own) return []
  const { images } = indexOf(context)
  const others = images.get(url) ?? []
  // An image that several pages have is a default; one that the page shares with nobody is its own.
  const isOfAnother = others.length === 1 && others[0] !== page.url && images.get(own)?.length === 1
  return isOfAnother
    ? [{ message: 'image', at: tag, data: { key: tag.key, seen: url, other: others[0]!, own, line: tag.line } }]
    : []
}
