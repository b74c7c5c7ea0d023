import { type CheckContext, checkPage, createCheckContext, declaredImages } from '../check'
import type { Finding, GatheredImage, GatheredPage, Gathering } from '../model'
import { type Card, type CardContext, imageCandidates, publicImageUrl, type Surface } from '../surface'
import { editPage } from './drafted-page'
import type { TagEdits } from './tag-edits'

/** What a run must tell for a page to be judged alone. */
export type RunFacts = Pick<Gathering, 'source' | 'view' | 'robotsTxt' | 'notes' | 'startedAt'>

/** What a draft changes: the cards, the findings it clears, those it newly raises. */
export type DraftEffect = {
  page: GatheredPage
  cards: { surface: Surface; card: Card }[]
  clears: Finding[]
  raises: Finding[]
}

/** Pictures that a page's cards and checks may ask for. A run can hold ten thousand: a keystroke is too short for them. */
function picturesOf(page: GatheredPage, context: CardContext): GatheredImage[] {
  if (!page.facts) return []
  const declared = declaredImages({ ...page, facts: page.facts }, context.addresses).map(({ url }) => url)
  const content = imageCandidates(page.facts, ['content-image']).map(({ value }) => value)
  const icons = page.facts.links
    .filter(({ rel }) => /(?:^| )(?:icon|apple-touch-icon)/.test(rel))
    .map(({ href }) => href)
  const named = [...content, ...icons, '/favicon.ico'].flatMap((raw) =>
    raw === null ? [] : (publicImageUrl(page, raw, context) ?? []),
  )
  return [...new Set([...declared, ...named])].flatMap((url) => context.images.get(url) ?? [])
}

/** The page by itself, as checks and cards see it. */
function alone(page: GatheredPage, run: RunFacts, context: CardContext): CheckContext {
  return createCheckContext({
    ...run,
    view: context.view,
    incomplete: [],
    scope: [],
    finishedAt: run.startedAt,
    pages: [page],
    images: picturesOf(page, context),
  })
}

/** Findings of a page as built: the same at each keystroke, and asked for at each. */
const asBuilt = new WeakMap<CardContext, WeakMap<GatheredPage, Finding[]>>()

function findingsAsBuilt(page: GatheredPage, run: RunFacts, context: CardContext): Finding[] {
  const ofContext = asBuilt.get(context) ?? new WeakMap<GatheredPage, Finding[]>()
  asBuilt.set(context, ofContext)
  const known = ofContext.get(page)
  if (known) return known
  const { findings } = checkPage(page, alone(page, run, context))
  ofContext.set(page, findings)
  return findings
}

/** What a finding is, as precisely as it can be told: the same again is no other. */
const exact = ({ rule, said, image, data = {} }: Finding) => {
  const { line: _line, ...rest } = data
  return JSON.stringify([rule, said, image ?? null, rest])
}
/** The same fault of another picture or another text: it was there, and is there. */
const alike = ({ rule, said }: Finding) => `${rule} ${said}`

/** Findings of the first list without their like in the second, each taken once. */
function without(
  findings: readonly Finding[],
  others: readonly Finding[],
  keyOf: (finding: Finding) => string,
): Finding[] {
  const left = new Map<string, number>()
  for (const other of others) left.set(keyOf(other), (left.get(keyOf(other)) ?? 0) + 1)
  return findings.filter((finding) => {
    const number = left.get(keyOf(finding)) ?? 0
    left.set(keyOf(finding), number - 1)
    return number <= 0
  })
}

/** What goes and what comes: what is only of another picture or text by now is neither. */
function told(before: readonly Finding[], after: readonly Finding[]): { clears: Finding[]; raises: Finding[] } {
  const [went, came] = [without(before, after, exact), without(after, before, exact)]
  return { clears: without(went, came, alike), raises: without(came, went, alike) }
}

/**
 * What a page's tags would do: every surface's card, and how the page's own findings change. Checks across pages are
 * not made here; see {@link sameTitleElsewhere} for the one that a title alone can raise.
 */
export function draftEffect(
  page: GatheredPage,
  edits: TagEdits,
  run: RunFacts,
  context: CardContext,
  surfaces: readonly Surface[],
): DraftEffect {
  const drafted = editPage(page, edits)
  const own = alone(drafted, run, context)
  // The checks ask for the same cards: they are made once.
  const cards = surfaces.map((surface) => ({ surface, card: own.cardOf(drafted, surface) }))
  if (edits.size === 0) return { page: drafted, cards, clears: [], raises: [] }
  const before = findingsAsBuilt(page, run, context)
  const after = checkPage(drafted, own).findings
  return {
    page: drafted,
    cards,
    ...told(before, after),
  }
}

/** Paths of other pages that show this title already. */
export function sameTitleElsewhere(
  title: string | null,
  own: string,
  others: readonly { url: string; path: string; title: string }[],
): string[] {
  if (title === null || title === '') return []
  return others.filter((other) => other.url !== own && other.title === title).map(({ path }) => path)
}
