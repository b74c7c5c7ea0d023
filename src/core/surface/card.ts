import { type AddressMap, type RobotsRules, withoutUnnamedHost } from '../address'
import type { AccessMode, GatheredImage, GatheredPage, PageFacts } from '../model'
import { fitText, forLast, isBlank } from '../text'
import { firstValue, imageCandidates, metaCandidates, textCandidates } from './candidates'
import type { Card, TextPart } from './card-model'
import { resolveByline, resolveFavicon, resolveSiteLine } from './identity'
import { type Candidate, climb, passAll } from './ladder'
import { type CardKind, resolvePicture } from './picture'
import type { BoxFigure, Layout, Surface, TextSource } from './profile'
import { richKindOf } from './rich'
import { isKeptOutByRobots } from './robots-of-site'
import { isPlainColour } from './theme-color'

/** What a card depends on beside its page. */
export type CardContext = {
  view: AccessMode
  addresses: AddressMap
  /** Pictures by public address. One that is not here was not looked at. */
  images: ReadonlyMap<string, GatheredImage>
  /** null when there is no robots.txt or it is not known. */
  robots: RobotsRules | null
  /** The run gave a name and a password: as it stands, crawlers are kept out. */
  loginPassed?: boolean
}

const emptyPart = (ladder: TextPart['ladder']): TextPart => ({
  text: null,
  shown: '',
  cut: false,
  lines: [],
  from: null,
  line: null,
  column: null,
  ladder,
})

/** Where a place counts characters instead of lines. */
const MAX_LINES = 100

function drawn(part: TextPart, box: BoxFigure | null, maxCharacters: number | undefined): TextPart {
  if (part.text === null) return part
  if (!box) return { ...part, shown: '', cut: false, lines: [] }
  const { sizePx, weight, widthPx, lines } = box
  return {
    ...part,
    ...fitText(part.text, { sizePx, weight, widthPx, lines: lines ?? MAX_LINES, maxCodePoints: maxCharacters }),
  }
}

/** What the habit of taking the last of repeated tags would show; undefined when the tag stands once. */
function ifLastWins(taken: Candidate, candidates: readonly Candidate[]): string | undefined {
  const same = candidates.filter((candidate) => candidate.from === taken.from && !isBlank(candidate.value))
  return same.length > 1 ? (same.at(-1)!.value ?? undefined) : undefined
}

const textsOfLast = forLast<TextPart>()

/** A text's own words and its ladder, not yet broken into lines: places with the same sources share them. */
const textPartOf = (page: GatheredPage, sources: readonly TextSource[], readsBytes: number | null): TextPart =>
  textsOfLast(page, page.facts, `${readsBytes} ${sources.join(' ')}`, () =>
    resolveText(textCandidates(page, sources), readsBytes),
  )

function resolveText(candidates: readonly Candidate[], readsBytes: number | null): TextPart {
  const { taken, ladder } = climb(candidates, readsBytes)
  if (!taken) return emptyPart(ladder)
  const other = ifLastWins(taken, candidates)
  const { value: text, from, line, column } = taken
  const repeated = other === undefined ? {} : { ifLastWins: other }
  return { text, shown: text ?? '', cut: false, lines: [], from, line, column, ...repeated, ladder }
}

const CARD_KINDS = new Set(['summary', 'summary_large_image', 'player', 'app'])

/** The card kind that the page asks for; an unknown one counts as absent. */
export function cardKindOf(facts: PageFacts): CardKind | null {
  const value = metaCandidates(facts, 'twitter:card')
    .find((candidate) => !isBlank(candidate.value))
    ?.value?.toLowerCase()
  return value && CARD_KINDS.has(value) ? (value as CardKind) : null
}

const hasOpenGraph = (facts: PageFacts) =>
  facts.metas.some((meta) => meta.key.startsWith('og:') && !isBlank(meta.value))

/** Kind of card that is shown: the one asked for; else, with any og tag, the small one; else none at all. */
function shownKind(facts: PageFacts): CardKind | null {
  return cardKindOf(facts) ?? (hasOpenGraph(facts) ? 'summary' : null)
}

/** `noindex` or `none`, for all robots or for this listing's own crawler, in the page or in its header. */
export function isKeptOut(page: GatheredPage, token: string | null): boolean {
  const own = token?.toLowerCase()
  const metas = (page.facts?.metas ?? []).filter(({ key }) => key === 'robots' || key === own)
  const says = [...metas.map((meta) => meta.value ?? ''), headerFor(page.fetch.robotsHeader ?? '', own)]
  return says.some((value) =>
    value
      .toLowerCase()
      .split(/[\s,]+/)
      .some((word) => word === 'noindex' || word === 'none'),
  )
}

/** The part of X-Robots-Tag that holds for everyone or for this token. */
function headerFor(header: string, token: string | undefined): string {
  let holds = true
  const words: string[] = []
  for (const part of header.split(',')) {
    const named = /^\s*([\w-]+)\s*:(.*)$/.exec(part)
    const isAgent = named && named[1]!.toLowerCase() !== 'unavailable_after' && !/^max-/.test(named[1]!.toLowerCase())
    if (isAgent) holds = named[1]!.toLowerCase() === token
    if (holds) words.push(isAgent ? named[2]! : part)
  }
  return words.join(',')
}

/** A card that shows the address alone. Every candidate stands on its ladder with the reason. */
function bareCard(
  page: GatheredPage,
  surface: Surface,
  layout: Layout,
  outcome: 'blocked' | 'unreachable',
  because: string,
): Card {
  const titles = textCandidates(page, surface.title.from)
  const descriptions = textCandidates(page, surface.description.from)
  const pictures = page.facts && surface.picture ? imageCandidates(page.facts, surface.picture.from) : []
  const address = withoutUnnamedHost(page.url)
  const title: TextPart = {
    ...emptyPart(passAll(titles, outcome)),
    text: address,
    shown: address,
    lines: [address],
    from: 'address',
  }
  title.ladder.push({ from: 'address', line: null, column: null, value: address, outcome: 'taken' })
  const description = emptyPart(passAll(descriptions, outcome))
  return {
    layout,
    bareBecause: because,
    title,
    description,
    image: { url: null, from: null, line: null, column: null, crop: null, ladder: passAll(pictures, outcome) },
    ...(surface.boxes.phone ? { phone: { title, description } } : {}),
    siteLine: null,
    byline: null,
    favicon: null,
    ladders: { siteLine: [], byline: [], favicon: [] },
    labels: [],
    themeColor: null,
    rich: null,
  }
}

function labelsOf(facts: PageFacts): Card['labels'] {
  return [1, 2].flatMap((number) => {
    const label = firstValue(facts, `twitter:label${number}`)
    const data = firstValue(facts, `twitter:data${number}`)
    return label && data ? [{ label, data }] : []
  })
}

/** The page's theme-color, where it is a colour that can be shown as it is written; null otherwise. */
function themeColorOf(facts: PageFacts): string | null {
  const value = firstValue(facts, 'theme-color')
  return value && isPlainColour(value) ? value : null
}

const RICH_KEYS: Partial<Record<CardKind, string[]>> = {
  player: ['twitter:player', 'twitter:player:width', 'twitter:player:height'],
  app: ['twitter:app:id:iphone', 'twitter:app:id:googleplay', 'twitter:app:name:iphone', 'twitter:app:name:googleplay'],
}

function richOfKind(facts: PageFacts, kind: CardKind | null): Card['rich'] {
  const keys = kind && RICH_KEYS[kind]
  if (!keys) return null
  const found = keys.flatMap((key) => {
    const value = firstValue(facts, key)
    return value ? [[key, value] as const] : []
  })
  const has = new Set(found.map(([key]) => key))
  return { kind, fields: Object.fromEntries(found), lacks: keys.filter((key) => !has.has(key)) }
}

/** Why the place shows nothing but the address; null when it shows a card. */
function bareReason(page: GatheredPage, surface: Surface, context: CardContext): Card | null {
  if (!page.facts) {
    const isLogin = page.fetch.status === 401 || page.fetch.status === 403
    const because = isLogin ? 'It is behind a login.' : (page.fetch.error ?? `It answered ${page.fetch.status}.`)
    return bareCard(page, surface, 'bare', 'unreachable', because)
  }
  const { view } = context
  if (surface.token && view === 'standing' && isKeptOutByRobots(page.url, surface.token, context)) {
    return bareCard(page, surface, 'bare', 'blocked', `robots.txt keeps ${surface.token} out.`)
  }
  if (surface.token && context.loginPassed && view === 'standing') {
    return bareCard(page, surface, 'bare', 'blocked', 'It is behind a login as it stands.')
  }
  if (surface.isListing && isKeptOut(page, surface.token)) {
    return bareCard(page, surface, 'not-listed', 'blocked', 'noindex keeps it out of the list.')
  }
  if (surface.layoutBy === 'card-kind' && shownKind(page.facts) === null) {
    return bareCard(page, surface, 'bare', 'blocked', 'It has neither a card kind nor an Open Graph tag.')
  }
  return null
}

/** What a card's picture decides: how it is laid out, and the picture with its ladder. */
export type CardPicture = Pick<Card, 'layout' | 'image'>

/**
 * One card in the making: a part is worked out when it is asked for, once. Questions about a picture break no text, and
 * those about a title break no description.
 */
class CardInMaking {
  private readonly bare: Card | null
  private readonly kind: CardKind | null
  private knownPicture: CardPicture | null = null
  private knownTitle: TextPart | null = null
  private knownCard: Card | null = null

  constructor(
    private readonly page: GatheredPage,
    private readonly surface: Surface,
    private readonly context: CardContext,
  ) {
    this.bare = bareReason(page, surface, context)
    const { facts } = page
    this.kind = facts === null ? null : surface.layoutBy === 'card-kind' ? shownKind(facts) : cardKindOf(facts)
  }

  private get facts(): PageFacts {
    return this.page.facts!
  }

  get picture(): CardPicture {
    if (this.bare) return this.bare
    if (this.knownPicture) return this.knownPicture
    const { part: image, layout } = resolvePicture(this.page, this.facts, this.surface, this.kind, this.context)
    this.knownPicture = { layout, image }
    return this.knownPicture
  }

  private get boxes() {
    const { boxes } = this.surface
    return boxes[this.picture.layout as 'wide' | 'natural' | 'thumbnail' | 'text'] ?? boxes.text
  }

  /** The title's own text and its ladder, not yet broken into lines. */
  private get resolvedTitle(): TextPart {
    return textPartOf(this.page, this.surface.title.from, this.surface.readsBytes?.value ?? null)
  }

  get title(): TextPart {
    if (this.bare) return this.bare.title
    this.knownTitle ??= drawn(this.resolvedTitle, this.boxes.title, this.surface.title.maxCharacters?.value)
    return this.knownTitle
  }

  /** The description below a title, where the title leaves it room. */
  private describe(description: TextPart, title: TextPart, box: BoxFigure | null): TextPart {
    const hasRoom = title.lines.length <= (box?.onlyIfTitleLines ?? Infinity)
    return drawn(description, hasRoom ? box : null, this.surface.description.maxCharacters?.value)
  }

  get card(): Card {
    if (this.bare) return this.bare
    this.knownCard ??= this.make()
    return this.knownCard
  }

  private make(): Card {
    const { page, surface, context, facts, kind, title } = this
    const { layout, image } = this.picture
    const { boxes } = surface
    const description = textPartOf(page, surface.description.from, surface.readsBytes?.value ?? null)
    const phoneTitle = boxes.phone && drawn(title, boxes.phone.title, surface.title.maxCharacters?.value)
    const site = resolveSiteLine(page, facts, surface, context)
    const byline = resolveByline(facts, surface)
    const icon = resolveFavicon(page, facts, surface, context)
    return {
      layout,
      bareBecause: null,
      title,
      description: this.describe(description, title, this.boxes.description),
      image,
      ...(boxes.phone && phoneTitle
        ? {
            phone: {
              title: phoneTitle,
              description: this.describe(description, phoneTitle, boxes.phone.description),
            },
          }
        : {}),
      siteLine: site.line,
      byline: byline.line,
      favicon: icon.favicon,
      ladders: { siteLine: site.ladder, byline: byline.ladder, favicon: icon.ladder },
      labels: labelsOf(facts),
      themeColor: surface.themeColor ? themeColorOf(facts) : null,
      rich: surface.richKinds ? richKindOf(facts) : surface.layoutBy === 'card-kind' ? richOfKind(facts, kind) : null,
    }
  }
}

/**
 * What one surface shows for a link to one page, each part with its source and the candidates passed over.
 *
 * Pure: the same page, surface and context give the same card. A page that could not be read has a bare card.
 */
export const cardOf = (page: GatheredPage, surface: Surface, context: CardContext): Card =>
  new CardInMaking(page, surface, context).card

/** Cards of pages, and parts of them: each worked out once, and no more of it than is asked for. */
export type CardBook = {
  cardOf(page: GatheredPage, surface: Surface): Card
  pictureOf(page: GatheredPage, surface: Surface): CardPicture
  titleOf(page: GatheredPage, surface: Surface): TextPart
}

/** Pages whose cards are kept: of a larger site those made longest ago go, and are made again where they are asked for. */
const MAX_PAGES_KEPT = 1000

export function createCardBook(context: CardContext): CardBook {
  const made = new Map<GatheredPage, Map<Surface, CardInMaking>>()
  const find = (page: GatheredPage, surface: Surface): CardInMaking => {
    const ofPage = made.get(page) ?? new Map<Surface, CardInMaking>()
    if (ofPage.size === 0) {
      if (made.size >= MAX_PAGES_KEPT) made.delete(made.keys().next().value!)
      made.set(page, ofPage)
    }
    const known = ofPage.get(surface)
    if (known) return known
    const card = new CardInMaking(page, surface, context)
    ofPage.set(surface, card)
    return card
  }
  return {
    cardOf: (page, surface) => find(page, surface).card,
    pictureOf: (page, surface) => find(page, surface).picture,
    titleOf: (page, surface) => find(page, surface).title,
  }
}
