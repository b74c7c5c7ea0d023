import { mainPlace, SURFACE_ID, surfacesWith } from '@/core/surface'
import { type Area, areaOf, FIRST_AREA } from './areas'
import { flag, maybeOneOf, oneOf, type Parameter, someOf, text } from './parameter'

export type { Area } from './areas'

/** Parts of the drafts’ area. */
const draftTabs = ['pages', 'texts', 'defaults', 'patterns', 'take-away'] as const
export type DraftTab = (typeof draftTabs)[number]

const panes = ['reasons', 'draft', 'findings', 'tags'] as const
export type Pane = (typeof panes)[number]

/** Symptoms that the wall can be narrowed to. They combine: a card must show all that are chosen. */
export const symptoms = ['errors', 'fell-back', 'same-picture', 'text-cut', 'no-picture', 'changed'] as const
export type Symptom = (typeof symptoms)[number]

const sorts = ['worst', 'address', 'found'] as const
export type Sort = (typeof sorts)[number]

const cardSizes = ['medium', 'small', 'large'] as const
/** How large the Wall draws cards: the smaller, the more of them are in sight. */
export type CardSize = (typeof cardSizes)[number]

/** Ways to look at a picture. */
const pictureLooks = ['crops', 'keep-zone', 'recompressed'] as const
export type PictureLook = (typeof pictureLooks)[number]

/** Parts of the drift’s area: two runs, the copies that places hold, a place to practise on. */
export const driftParts = ['runs', 'held', 'box'] as const
export type DriftPart = (typeof driftParts)[number]

/** What an address without a place shows. */
const FIRST_SURFACE = mainPlace(surfacesWith([])).id

/** A site may have surfaces of its own: a view of one falls back to the first where there is none of that id. */
const surfaceId = (raw: string | null) => (raw !== null && SURFACE_ID.test(raw) ? raw : null)

/**
 * What is shown, each as a parameter of the address, in the order in which they stand there: a view can be kept, reloaded
 * and passed on. A new one is a line here.
 */
const PARAMETERS = {
  run: text('run'),
  /** Path of the page that is chosen or open. */
  page: text('page'),
  surface: {
    key: 'surface',
    read: (raw) => surfaceId(raw) ?? FIRST_SURFACE,
    write: (value) => (value === FIRST_SURFACE ? null : value),
  } as Parameter<string>,
  /** A second surface whose cards stand beside those of the first. */
  beside: { key: 'beside', read: surfaceId, write: (value) => value } as Parameter<string | null>,
  /** With robots.txt and logins counted, or without; null: as the run takes them. */
  as: maybeOneOf('as', ['standing', 'launched']),
  section: text('section'),
  symptoms: someOf('show', symptoms),
  search: { key: 'search', read: (raw) => raw ?? '', write: (value) => value || null } as Parameter<string>,
  sort: oneOf('sort', sorts),
  size: oneOf('size', cardSizes),
  /** The page as built, without its draft. */
  isBuilt: flag('draft', 'off'),
  tab: oneOf('tab', draftTabs),
  /** Cause that is chosen, by its id. */
  cause: text('cause'),
  /** Picture that is chosen, by its public address. */
  picture: text('picture'),
  look: oneOf('look', pictureLooks),
  /** Section whose share pictures are being composed; null for the pictures that there are. */
  compose: text('compose'),
  /** The earlier run that this one is held against; null for the one that suggests itself. */
  against: text('against'),
  drift: oneOf('part', driftParts),
  /** What is open beside the cards of a page. */
  pane: oneOf('pane', panes),
}
type Parameters = typeof PARAMETERS

/** What is shown: an area, and all that its address says. */
export type RouteState = { area: Area } & { [Name in keyof Parameters]: ReturnType<Parameters[Name]['read']> }

const parameters = Object.entries(PARAMETERS) as [keyof Parameters, Parameter<unknown>][]

/** Reads a view out of an address. What makes no sense is left at its default. */
export function parseView(pathname: string, search: string): RouteState {
  const query = new URLSearchParams(search)
  const values = parameters.map(([name, { key, read }]) => [name, read(query.get(key))] as const)
  return {
    area: areaOf(pathname.split('/')[1] ?? '')?.id ?? FIRST_AREA,
    ...(Object.fromEntries(values) as Omit<RouteState, 'area'>),
  }
}

/** The address of a view; defaults are left out. */
export function viewHref(view: RouteState): string {
  const query = new URLSearchParams()
  for (const [name, { key, write }] of parameters) {
    const value = write(view[name])
    // A place beside itself is no second one.
    if (value !== null && value !== '' && !(name === 'beside' && value === view.surface)) query.set(key, value)
  }
  const path = view.area === FIRST_AREA ? '/' : `/${view.area}`
  const text = query.toString().replaceAll('%2F', '/').replaceAll('%2C', ',')
  return text ? `${path}?${text}` : path
}

/**
 * What the tab of a view is called, so that several are told apart: the page where one is open, the area, the site.
 *
 * @param site as it is said to people; null before there is one
 */
export function titleOf({ area, page }: Pick<RouteState, 'area' | 'page'>, site: string | null): string {
  const place = area === 'page' && page !== null ? page : areaOf(area)!.name
  return [place, ...(site === null ? [] : [site]), 'Nimble Parrot'].join(' · ')
}
