import { ownEntry } from '../text'
import type { Card, Rung } from './card-model'
import type { Surface } from './profile'

type Side = { surface: Surface; card: Card }

/** Sources that are no tags, in words. */
const WORDS: Record<string, string> = {
  'first-paragraph': 'the first paragraph',
  'content-image': 'a picture of the content',
  h1: 'the heading',
}
const named = (from: string) => ownEntry(WORDS, from) ?? from

const takenOf = (ladder: readonly Rung[]) => ladder.find(({ outcome }) => outcome === 'taken') ?? null

/** How this place came to pass over what the other one took. */
function passedOver(side: Side, ladder: readonly Rung[], taken: Rung): string {
  const { name } = side.surface
  const rung = ladder.find(
    ({ from, line, column }) => from === taken.from && line === taken.line && column === taken.column,
  )
  if (!rung) return `${name} doesn’t look at ${named(taken.from)}`
  const why = rung.why ? ` (${rung.why})` : ''
  const SAYS: Partial<Record<Rung['outcome'], string>> = {
    beaten: `${name} prefers another`,
    'too-small': `${name} finds it too small${why}`,
    refused: `${name} refuses it${why}`,
    unreachable: `${name} cannot fetch it${why}`,
    'beyond-bytes': `${name} stops reading before it`,
    blocked: `${name} is kept out`,
  }
  return SAYS[rung.outcome] ?? `${name} finds it ${rung.outcome}`
}

function whyPart(part: string, a: Side, b: Side, ladders: [readonly Rung[], readonly Rung[]]): string | null {
  const [left, right] = ladders.map(takenOf) as [Rung | null, Rung | null]
  if (left?.from === right?.from && left?.line === right?.line && left?.column === right?.column) return null
  const take = ({ surface }: Side, rung: Rung | null) =>
    rung
      ? `${surface.name} takes ${named(rung.from)}${rung.line === null ? '' : ` of line ${rung.line}`}`
      : `${surface.name} takes none`
  const reasons = [
    left ? passedOver(b, ladders[1], left) : null,
    right ? passedOver(a, ladders[0], right) : null,
  ].filter((reason) => reason !== null && !reason.endsWith('prefers another'))
  const because = reasons.length > 0 ? `: ${reasons.join('; ')}` : ''
  return `${part}: ${take(a, left)}, ${take(b, right)}${because}.`
}

const LAYOUTS: Record<Card['layout'], string> = {
  wide: 'a large picture',
  natural: 'a large picture in its own shape',
  thumbnail: 'a small picture',
  text: 'no picture',
  bare: 'the bare address',
  'not-listed': 'nothing, it is not listed',
}

const LAYOUT_BY: Record<Surface['layoutBy'], string> = {
  picture: 'goes by the picture’s size',
  'card-kind': 'goes by twitter:card',
  'asked-large': 'is large only when twitter:card asks for it',
  'asked-small': 'is large unless twitter:card asks for the small card',
  thumbnail: 'is always small',
  text: 'shows no pictures',
}

/**
 * Why two places show one page differently, a sentence for each part that differs; empty when nothing does but the
 * room they give.
 */
export function whyDifferent(a: Side, b: Side): string[] {
  const bare = [a, b].flatMap(({ surface, card }) => (card.bareBecause ? [`${surface.name}: ${card.bareBecause}`] : []))
  if (bare.length > 0) return bare
  const layout =
    a.card.layout === b.card.layout
      ? null
      : `Layout: ${a.surface.name} shows ${LAYOUTS[a.card.layout]} (it ${LAYOUT_BY[a.surface.layoutBy]}), ${b.surface.name} ${LAYOUTS[b.card.layout]} (it ${LAYOUT_BY[b.surface.layoutBy]}).`
  const pictures =
    a.surface.picture && b.surface.picture ? whyPart('Picture', a, b, [a.card.image.ladder, b.card.image.ladder]) : null
  return [
    layout,
    whyPart('Title', a, b, [a.card.title.ladder, b.card.title.ladder]),
    whyPart('Description', a, b, [a.card.description.ladder, b.card.description.ladder]),
    pictures,
  ].filter((sentence) => sentence !== null)
}
