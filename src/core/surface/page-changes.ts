import type { PageFacts } from '../model'
import { addTo } from '../text'
import type { Card } from './card-model'

/** What is compared of a page's facts, and of a card: what documents of any writer have. */
export type ComparedFacts = Pick<PageFacts, 'title' | 'h1' | 'firstParagraph' | 'language'> & {
  metas: readonly { key: string; value: string | null }[]
  links: readonly { rel: string; href: string }[]
}
export type ComparedCard = Pick<Card, 'layout' | 'siteLine' | 'byline' | 'labels'> & {
  title: Pick<Card['title'], 'text' | 'shown' | 'cut'>
  description: Pick<Card['description'], 'text' | 'shown' | 'cut'>
  image: Pick<Card['image'], 'url'>
}

/** A tag, or one of the page's own texts, that says something else than before. null: it is not there. */
export type TagChange = { key: string; before: string | null; after: string | null }

/** Parts of a card, as documents name them. */
export type CardPart = 'title' | 'description' | 'image' | 'siteLine' | 'byline' | 'labels' | 'layout'

const SEPARATOR = ' · '

/** What a page says, by key: values of a repeated tag in their order. */
function sayings(facts: ComparedFacts | null): Map<string, string> {
  const said = new Map<string, string[]>()
  const add = (key: string, value: string | null) => {
    if (value !== null) addTo(said, key, value)
  }
  if (!facts) return new Map()
  add('title', facts.title)
  add('h1', facts.h1)
  add('first paragraph', facts.firstParagraph)
  add('html lang', facts.language)
  for (const meta of facts.metas) add(meta.key, meta.value ?? '')
  for (const link of facts.links) {
    if (/(?:^| )(?:canonical|icon|apple-touch-icon)(?: |$)/.test(link.rel)) add(`link ${link.rel}`, link.href)
  }
  return new Map([...said].map(([key, values]) => [key, values.join(SEPARATOR)]))
}

/** Tags that differ between two readings of a page, in the order of the later one; those that went come last. */
export function tagChanges(before: ComparedFacts | null, after: ComparedFacts | null): TagChange[] {
  const [old, now] = [sayings(before), sayings(after)]
  const changed = [...now].flatMap(([key, value]): TagChange[] => {
    const was = old.get(key) ?? null
    return was === value ? [] : [{ key, before: was, after: value }]
  })
  const gone = [...old].flatMap(([key, value]): TagChange[] =>
    now.has(key) ? [] : [{ key, before: value, after: null }],
  )
  return [...changed, ...gone]
}

const labelsOf = (card: ComparedCard) => card.labels.map(({ label, data }) => `${label}\n${data}`).join('\n')

/** Parts of a card that a visitor of the place would see changed. */
export function cardChanges(before: ComparedCard, after: ComparedCard): CardPart[] {
  const parts: [CardPart, boolean][] = [
    ['layout', before.layout !== after.layout],
    ['title', before.title.shown !== after.title.shown || before.title.cut !== after.title.cut],
    [
      'description',
      before.description.shown !== after.description.shown || before.description.cut !== after.description.cut,
    ],
    ['image', before.image.url !== after.image.url],
    ['siteLine', before.siteLine !== after.siteLine],
    ['byline', before.byline !== after.byline],
    ['labels', labelsOf(before) !== labelsOf(after)],
  ]
  return parts.filter(([, differs]) => differs).map(([part]) => part)
}
