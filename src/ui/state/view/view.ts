import type { AccessMode as RunView } from '@/core/model'
import { mainPlace, SURFACE_ID, surfacesWith } from '@/core/surface'

export type Area = 'gather' | 'wall' | 'page' | 'drafts' | 'causes' | 'pictures' | 'drift' | 'clearance'

/** Parts of the drafts' area. */
const draftTabs = ['pages', 'texts', 'defaults', 'patterns', 'take-away'] as const
export type DraftTab = (typeof draftTabs)[number]

const panes = ['reasons', 'draft', 'findings', 'tags'] as const
export type Pane = (typeof panes)[number]

/** Symptoms that the wall can be narrowed to. They combine: a card must show all that are chosen. */
export const symptoms = ['errors', 'fell-back', 'same-picture', 'text-cut', 'no-picture', 'changed'] as const
export type Symptom = (typeof symptoms)[number]

const sorts = ['worst', 'address', 'found'] as const
export type Sort = (typeof sorts)[number]

const cardSizes = ['small', 'medium', 'large'] as const
/** How large the Wall draws cards: the smaller, the more of them are in sight. */
export type CardSize = (typeof cardSizes)[number]

/** Ways to look at a picture. */
const pictureLooks = ['crops', 'keep-zone', 'recompressed'] as const
export type PictureLook = (typeof pictureLooks)[number]

/** Parts of the drift's area: two runs, the copies that places hold, a place to practise on. */
export const driftParts = ['runs', 'held', 'box'] as const
export type DriftPart = (typeof driftParts)[number]

/** What is shown: all of it stands in the address, so that a view can be kept, reloaded and passed on. */
export type RouteState = {
  area: Area
  run: string | null
  /** Path of the page that is chosen or open. */
  page: string | null
  surface: string
  /** A second surface whose cards stand beside those of the first. */
  beside: string | null
  /** With robots.txt and logins counted, or without; null: as the run takes them. */
  as: RunView | null
  section: string | null
  symptoms: Symptom[]
  search: string
  sort: Sort
  size: CardSize
  /** The page as built, without its draft. */
  isBuilt: boolean
  tab: DraftTab
  /** Cause that is chosen, by its id. */
  cause: string | null
  /** Picture that is chosen, by its public address. */
  picture: string | null
  look: PictureLook
  /** Section whose share pictures are being composed; null for the pictures that there are. */
  compose: string | null
  /** The earlier run that this one is held against; null for the one that suggests itself. */
  against: string | null
  drift: DriftPart
  /** What is open beside the cards of a page. */
  pane: Pane
}

const AREAS: readonly Area[] = ['gather', 'wall', 'page', 'drafts', 'causes', 'pictures', 'drift', 'clearance']

const oneOf = <T extends string>(choices: readonly T[], value: string | null): T | null =>
  choices.find((choice) => choice === value) ?? null

/** A site may have surfaces of its own: a view of one falls back to the first where there is none of that id. */
const surfaceId = (value: string | null) => (value !== null && SURFACE_ID.test(value) ? value : null)

/** What an address without a place shows. */
const FIRST_SURFACE = mainPlace(surfacesWith([])).id

/** Reads a view out of an address. What makes no sense is left at its default. */
export function parseView(pathname: string, search: string): RouteState {
  const query = new URLSearchParams(search)
  const shown = (query.get('show') ?? '').split(',')
  return {
    area: oneOf(AREAS, pathname.split('/')[1] ?? '') ?? 'gather',
    run: query.get('run'),
    page: query.get('page'),
    surface: surfaceId(query.get('surface')) ?? FIRST_SURFACE,
    beside: surfaceId(query.get('beside')),
    as: oneOf(['standing', 'launched'] as const, query.get('as')),
    section: query.get('section'),
    symptoms: symptoms.filter((symptom) => shown.includes(symptom)),
    search: query.get('search') ?? '',
    sort: oneOf(sorts, query.get('sort')) ?? 'worst',
    size: oneOf(cardSizes, query.get('size')) ?? 'medium',
    isBuilt: query.get('draft') === 'off',
    tab: oneOf(draftTabs, query.get('tab')) ?? 'pages',
    cause: query.get('cause'),
    picture: query.get('picture'),
    look: oneOf(pictureLooks, query.get('look')) ?? 'crops',
    compose: query.get('compose'),
    against: query.get('against'),
    drift: oneOf(driftParts, query.get('part')) ?? 'runs',
    pane: oneOf(panes, query.get('pane')) ?? 'reasons',
  }
}

/** The address of a view; defaults are left out. */
export function viewHref(view: RouteState): string {
  const query = new URLSearchParams()
  if (view.run) query.set('run', view.run)
  if (view.page) query.set('page', view.page)
  if (view.surface !== FIRST_SURFACE) query.set('surface', view.surface)
  if (view.beside && view.beside !== view.surface) query.set('beside', view.beside)
  if (view.as) query.set('as', view.as)
  if (view.section) query.set('section', view.section)
  if (view.symptoms.length > 0)
    query.set('show', symptoms.filter((symptom) => view.symptoms.includes(symptom)).join(','))
  if (view.search) query.set('search', view.search)
  if (view.sort !== 'worst') query.set('sort', view.sort)
  if (view.size !== 'medium') query.set('size', view.size)
  if (view.isBuilt) query.set('draft', 'off')
  if (view.tab !== 'pages') query.set('tab', view.tab)
  if (view.cause) query.set('cause', view.cause)
  if (view.picture) query.set('picture', view.picture)
  if (view.look !== 'crops') query.set('look', view.look)
  if (view.compose) query.set('compose', view.compose)
  if (view.against) query.set('against', view.against)
  if (view.drift !== 'runs') query.set('part', view.drift)
  if (view.pane !== 'reasons') query.set('pane', view.pane)
  const path = view.area === 'gather' ? '/' : `/${view.area}`
  const text = query.toString().replaceAll('%2F', '/').replaceAll('%2C', ',')
  return text ? `${path}?${text}` : path
}
