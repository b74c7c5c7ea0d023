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

const sameFinding = (a: Finding, b: Finding) => a.rule === b.rule && a.image === b.image

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
    clears: before.filter((finding) => !after.some((one) => sameFinding(finding, one))),
    raises: after.filter((finding) => !before.some((one) => sameFinding(finding, one))),
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
