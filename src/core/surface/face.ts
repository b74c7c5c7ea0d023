import type { Card } from './card-model'
import type { Layout, Surface } from './profile'

/** What the eye looks for on a wall of cards. */
export type Trait = 'fell-back' | 'text-cut' | 'no-picture' | 'bare'

/** A card in short, as a wall draws it: no ladders. Texts are what the place shows, an ellipsis where it cuts. */
export type Face = {
  layout: Layout
  title: string
  description: string
  siteLine: string | null
  image: string | null
  /** Width divided by height of what is shown of the picture; null while its size is not known. */
  ratio: number | null
  favicon: string | null
  bareBecause: string | null
  /** Why the picture that the page names is not shown, or not known; null when it is, or when none is named. */
  pictureFault: string | null
  /** Pairs of twitter:label and twitter:data, where the place shows them. */
  labels: Card['labels']
  themeColor: string | null
  /** Fields of a rich layout, and those it lacks; null where the place has none for this page. */
  rich: { kind: string; shown: string[]; lacks: string[] } | null
  traits: Trait[]
}

const shownText = (part: Card['title']) => (part.cut ? `${part.shown}…` : part.shown)

const isForCards = (source: string) => source.startsWith('og:') || source.startsWith('twitter:')

/** Did the place go past its first choice, to something that was not written for it? One card tag for another is no fall. */
function isFallback(from: string | null, wanted: readonly string[]): boolean {
  if (from === null || wanted.indexOf(from) <= 0) return false
  return !(isForCards(from) && isForCards(wanted[0] ?? ''))
}

function traitsOf(card: Card, surface: Surface): Trait[] {
  const traits: Trait[] = []
  const fellBack =
    isFallback(card.title.from, surface.title.from) ||
    (card.description.shown !== '' && isFallback(card.description.from, surface.description.from)) ||
    card.image.from === 'content-image'
  if (fellBack) traits.push('fell-back')
  // What the card cuts counts, in whichever of its lines.
  if (card.title.cut || (card.description.cut && card.description.shown !== '')) traits.push('text-cut')
  if (card.layout === 'bare' || card.layout === 'not-listed') traits.push('bare')
  else if (surface.picture && card.image.url === null) traits.push('no-picture')
  return traits
}

function pictureFaultOf(card: Card): string | null {
  if (card.image.unseen) return 'Not seen: it could not be looked at.'
  const failed = card.image.ladder.find(
    ({ outcome }) => outcome === 'unreachable' || outcome === 'refused' || outcome === 'too-small',
  )
  return failed && card.image.url === null ? (failed.why ?? failed.outcome) : null
}

/** The title stands on the card already. */
const ON_THE_CARD = new Set(['headline', 'name'])

/** Fields of a rich layout that the place shows beside title and description, each with its name. */
export function richDetails(rich: Card['rich'], surface: Surface): string[] {
  if (!rich || !surface.richKinds) return []
  const shown = Object.entries(rich.fields).filter(([field]) => !ON_THE_CARD.has(field))
  return shown.map(([field, value]) => `${field} ${value}`)
}

const richInShort = (rich: Card['rich'], surface: Surface): Face['rich'] =>
  rich && surface.richKinds ? { kind: rich.kind, shown: richDetails(rich, surface), lacks: rich.lacks } : null

/** @example faceOf(cardOf(page, wideFeed, context), wideFeed).traits // ['fell-back'] */
export function faceOf(card: Card, surface: Surface): Face {
  return {
    layout: card.layout,
    title: shownText(card.title),
    description: shownText(card.description),
    siteLine: card.siteLine,
    image: card.image.url,
    ratio: card.image.crop ? card.image.crop.width / card.image.crop.height : null,
    favicon: surface.favicon ? (card.favicon?.url ?? null) : null,
    bareBecause: card.bareBecause,
    pictureFault: pictureFaultOf(card),
    labels: surface.labels ? card.labels : [],
    themeColor: card.themeColor,
    rich: richInShort(card.rich, surface),
    traits: traitsOf(card, surface),
  }
}
