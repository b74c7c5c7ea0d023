import { type GatheredPage, type PageFacts, type RichField, richField } from '../../model'
import type { RequiredField } from '../../requirements'
import { firstValue } from '../../surface'
import { addTo, isBlank } from '../../text'
import type { CheckContext } from '../context'
import { defineCheck } from '../define-check'

type ReadPage = GatheredPage & { facts: PageFacts }
type Test = { tag: string; has: (page: ReadPage, context: CheckContext) => boolean }

const says =
  (...keys: string[]): Test['has'] =>
  (page) =>
    keys.some((key) => firstValue(page.facts, key) !== null)

/** A field of the page's tags, or of what its JSON-LD describes. */
const saysOrDescribes =
  (field: RichField, ...keys: string[]): Test['has'] =>
  (page, context) =>
    says(...keys)(page, context) ||
    page.facts.jsonLd.some(({ things }) => things?.some((thing) => !isBlank(richField(thing, field))))

const namers = new WeakMap<CheckContext, Map<string, string[]>>()

/** Pages by the picture that they name first, two at most: more say no more of whose own it is. */
function namersOf(context: CheckContext): ReadonlyMap<string, readonly string[]> {
  const known = namers.get(context)
  if (known) return known
  const made = new Map<string, string[]>()
  for (const page of context.readable) {
    const url = context.declaredImages(page)[0]?.url
    if (url !== undefined && (made.get(url)?.length ?? 0) < 2) addTo(made, url, page.url)
  }
  namers.set(context, made)
  return made
}

/** A picture that no other page names first. */
function hasOwnPicture(page: ReadPage, context: CheckContext): boolean {
  const url = context.declaredImages(page)[0]?.url
  const isDefault = url !== undefined && url === context.requirements.identity?.defaultPicture
  return (
    url !== undefined &&
    !isDefault &&
    !namersOf(context)
      .get(url)
      ?.some((other) => other !== page.url)
  )
}

const TESTS: Record<RequiredField, Test> = {
  title: { tag: 'og:title', has: says('og:title', 'twitter:title') },
  description: { tag: 'og:description', has: says('og:description', 'description') },
  picture: { tag: 'og:image', has: says('og:image', 'og:image:url', 'og:image:secure_url') },
  'own-picture': { tag: 'og:image', has: hasOwnPicture },
  'picture-alt': { tag: 'og:image:alt', has: says('og:image:alt', 'twitter:image:alt') },
  type: { tag: 'og:type', has: says('og:type') },
  address: { tag: 'og:url', has: says('og:url') },
  card: { tag: 'twitter:card', has: says('twitter:card') },
  author: {
    tag: 'article:author',
    has: saysOrDescribes('author', 'article:author', 'author', 'twitter:creator', 'book:author'),
  },
  date: { tag: 'article:published_time', has: saysOrDescribes('date', 'article:published_time', 'book:release_date') },
  price: { tag: 'product:price:amount', has: saysOrDescribes('price', 'product:price:amount', 'og:price:amount') },
  currency: {
    tag: 'product:price:currency',
    has: saysOrDescribes('currency', 'product:price:currency', 'og:price:currency'),
  },
  availability: {
    tag: 'product:availability',
    has: saysOrDescribes('availability', 'product:availability', 'og:availability'),
  },
}

export const requiredFieldMissing = defineCheck({
  id: 'required-field-missing',
  label: 'required field missing',
  family: 'open-graph',
  level: 'error',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'Fields that the requirements ask of the page’s section or kind.',
  why: 'Somebody decided that these pages are not to go out without it.',
  messages: {
    lacks: {
      says: 'The requirements ask for {field} here, and the page has none.',
      fix: 'Give the page {tag}, or change what {section} requires.',
      repair: { do: 'setTag', tag: '{tag}' },
    },
    shared: {
      says: 'The requirements ask for a picture of the page’s own; this one is shared with other pages.',
      fix: 'Give the page its own og:image.',
      repair: { do: 'askPerson', needs: 'a picture of the page’s own' },
    },
  },
  check(page, context) {
    const section = context.sections.get(page.url) ?? '/'
    return [...context.ruleFor(page).requires].flatMap((field) => {
      const { tag, has } = TESTS[field]
      if (has(page, context)) return []
      const isShared = field === 'own-picture' && context.declaredImages(page).length > 0
      return [{ message: isShared ? 'shared' : 'lacks', data: { field, tag, section } }]
    })
  },
})
