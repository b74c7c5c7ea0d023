import { type AddressMap, createAddressMap, parseRobots, pathForms, pathnameOf } from '../address'
import type { GatheredImage, GatheredPage, Gathering, PageFacts } from '../model'
import { createPageRules, createSectionFinder, noRequirements, type PageRule, type Requirements } from '../requirements'
import { findSections } from '../section'
import {
  type Card,
  type CardContext,
  type CardPicture,
  createCardBook,
  type Surface,
  surfacesWith,
  type TextPart,
} from '../surface'
import { alikePictures } from './alike-pictures'
import { type DeclaredImage, declaredImages } from './declared-images'

/** What checks may ask of a run. Everything is worked out once, when first asked for. */
export type CheckContext = {
  gathering: Gathering
  pages: readonly GatheredPage[]
  /** Pages that could be read. */
  readable: readonly (GatheredPage & { facts: PageFacts })[]
  addresses: AddressMap
  images: ReadonlyMap<string, GatheredImage>
  cards: CardContext
  /** Surfaces that count: what checks go by. */
  surfaces: readonly Surface[]
  /** Every surface that has a card. */
  allSurfaces: readonly Surface[]
  requirements: Requirements
  /** The day of the run, as YYYY-MM-DD; empty where it is not known. */
  today: string
  ruleFor(page: GatheredPage): PageRule
  sections: ReadonlyMap<string, string>
  /** How a card is laid out and what picture it shows: asked for by itself, no text of it is broken. */
  pictureOf(page: GatheredPage, surface: Surface): CardPicture
  titleOf(page: GatheredPage, surface: Surface): TextPart
  cardOf(page: GatheredPage, surface: Surface): Card
  /** Share pictures that look the same, by address. */
  alikePictures(): string[][]
  declaredImages(page: GatheredPage & { facts: PageFacts }): DeclaredImage[]
}

/** What a check may ask that no other page has a say in: it stays as it is while more pages come. */
export type PageContext = Omit<CheckContext, 'gathering' | 'pages' | 'readable' | 'sections' | 'alikePictures'>

/** Where the build was served; null for files, and for a list, whose addresses are the pages' own. */
export function builtAt({ kind, location, servedAt }: Gathering['source']): string | null {
  if (servedAt !== undefined) return servedAt
  return (kind === 'url' || kind === 'sitemap') && /^https?:/i.test(location) ? location : null
}

/** What cards of a run depend on. */
export function cardContextOf(
  gathering: Pick<Gathering, 'source' | 'view' | 'robotsTxt' | 'notes'>,
  images: ReadonlyMap<string, GatheredImage>,
): CardContext {
  const { source, view, robotsTxt, notes } = gathering
  return {
    view,
    addresses: createAddressMap(source.site, builtAt(source), source.servedAt ?? null),
    images,
    robots: robotsTxt === null ? null : parseRobots(robotsTxt),
    loginPassed: notes.some(({ kind }) => kind === 'login-passed'),
  }
}

function remember<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>()
  return (key) => {
    const found = known.get(key)
    if (found !== undefined) return found
    const made = make(key)
    known.set(key, made)
    return made
  }
}

type Sections = Map<string, string>

/** Where a page belongs: what the requirements say of its path, else what was found. */
function sectionsOf(gathering: Gathering, requirements: Requirements): Sections {
  const found = findSections(gathering.pages, gathering.source.site)
  const sectionGiven = createSectionFinder(requirements)
  return new Map(
    gathering.pages.map(({ url }) => {
      const own = found.get(url) ?? null
      return [url, sectionGiven(pathForms(url, gathering.source.site), own) ?? own ?? '/']
    }),
  )
}

const imagesOf = (gathering: Gathering) => new Map(gathering.images.map((image) => [image.url, image]))

export function createCheckContext(gathering: Gathering, requirements: Requirements = noRequirements): CheckContext {
  return contextOf(gathering, requirements, imagesOf(gathering), sectionsOf(gathering, requirements))
}

/** Pictures that are known, and which addresses were asked for: what was said then hangs on these. */
class AskedPictures extends Map<string, GatheredImage> {
  readonly asked = new Set<string>()

  override get(url: string): GatheredImage | undefined {
    this.asked.add(url)
    return super.get(url)
  }

  override has(url: string): boolean {
    this.asked.add(url)
    return super.has(url)
  }
}

/** A context of a run that goes on: pages and pictures that come later are judged by what was known when it was made. */
export type GrowingContext = {
  context: CheckContext
  /** Addresses of pictures that were asked for since the last time. */
  takeAsked: () => string[]
  /**
   * A page that came since: it goes to the section, of those that were found, whose name holds for its path, else to its
   * folder, once some pages lie there.
   */
  addPage: (page: GatheredPage) => void
  addImage: (image: GatheredImage) => void
}

/** What such a context is made of is not whole: an address that it does not know may be that of a page to come. */
const GOES_ON = { why: 'stopped' as const, message: 'The run goes on.' }

/** So many pages in one folder are taken for a section until the whole tells. */
const FOLDER_FROM = 5

/** The section that a folder of the site will be: a build comes folder by folder. null for its first pages. */
function createFolderFinder(site: string): (url: string) => string | null {
  const base = pathnameOf(site)
  const counts = new Map<string, number>()
  return (url) => {
    const path = pathnameOf(url)
    const end = path.startsWith(base) ? path.indexOf('/', base.length) : -1
    if (end < 0) return null
    const folder = path.slice(0, end)
    const count = (counts.get(folder) ?? 0) + 1
    counts.set(folder, count)
    return count >= FOLDER_FROM ? `${folder}/*` : null
  }
}

export function createGrowingContext(gathering: Gathering, requirements: Requirements): GrowingContext {
  const images = new AskedPictures(imagesOf(gathering))
  const sections = sectionsOf(gathering, requirements)
  const known = createSectionFinder({ sections: Object.fromEntries([...sections.values()].map((name) => [name, {}])) })
  const folderOf = createFolderFinder(gathering.source.site)
  const context = contextOf({ ...gathering, incomplete: [GOES_ON] }, requirements, images, sections)
  return {
    context,
    addPage: ({ url }) => {
      if (!sections.has(url)) sections.set(url, known([pathnameOf(url)], null) ?? folderOf(url) ?? '/')
    },
    addImage: (image) => images.set(image.url, image),
    takeAsked: () => {
      const asked = [...images.asked]
      images.asked.clear()
      return asked
    },
  }
}

/** What single pages of a run are judged by, in a place that has not the whole run. */
export type PartBasis = Pick<Gathering, 'source' | 'view' | 'robotsTxt' | 'notes' | 'images' | 'startedAt'>

/** A context of a run that knows none of its pages: what holds for each, and its section, has to be told. */
export function createPartContext(basis: PartBasis, requirements: Requirements): CheckContext {
  const gathering = { ...basis, finishedAt: '', incomplete: [GOES_ON], scope: [], pages: [] }
  return contextOf(gathering, requirements, imagesOf(gathering), new Map())
}

function contextOf(
  gathering: Gathering,
  requirements: Requirements,
  images: ReadonlyMap<string, GatheredImage>,
  sections: Sections,
): CheckContext {
  const cards = cardContextOf(gathering, images)
  const allSurfaces = surfacesWith(requirements.ownSurfaces ?? [])
  let alike: string[][] | null = null
  const readable = gathering.pages.filter((page): page is GatheredPage & { facts: PageFacts } => page.facts !== null)
  return {
    gathering,
    pages: gathering.pages,
    readable,
    addresses: cards.addresses,
    images,
    cards,
    surfaces: allSurfaces.filter(({ id }) => requirements.surfaces?.includes(id) ?? true),
    allSurfaces,
    requirements,
    today: gathering.startedAt.slice(0, 10),
    ruleFor: createPageRules(requirements, gathering.pages, sections, cards.addresses.site),
    sections,
    ...createCardBook(cards),
    alikePictures: () => {
      alike ??= alikePictures(images)
      return alike
    },
    declaredImages: remember((page) => declaredImages(page, cards.addresses)),
  }
}
