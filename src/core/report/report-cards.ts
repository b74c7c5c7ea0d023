import { pathOn } from '../address'
import { sampleSections } from '../section'
import { drawCard, inlineSvg, pictureSymbols } from '../sheet'
import { mainPlace, representativePlaces, type Surface, surfacesWith } from '../surface'
import { groupBy } from '../text'
import type { RunDocument } from './run-document'

type DocumentPage = RunDocument['pages'][number]

/** Places that the start page is shown in: with more the report of one page would be longer than one. */
const MOST_PLACES = 3
/** Cards of troubled pages drawn before the rest is named only. */
export const MOST_CARDS = 400
/** Characters of all pictures together: the rest of a report of 500 pages takes up to half as many again. */
const MOST_PICTURE_CHARACTERS = 1_500_000

/** A small copy of a picture, as a data: address, in its own pixels. */
export type ReportPicture = { source: string; width: number; height: number }

/** A card of a report: the page, the place, and what is said below it. */
export type ReportCard = { page: DocumentPage; surface: Surface }
/** A section with the pages that are shown of it. `isSample`: they stand for the others. */
export type ReportSection = {
  section: string
  pages: number
  troubled: number
  cards: ReportCard[]
  /** Troubled pages that are named and not drawn. */
  named: DocumentPage[]
}

/** Errors that a page has, beside a baseline those that are new. */
export const errorsOf = ({ findings }: DocumentPage) =>
  findings.filter(({ level, state }) => level === 'error' && state !== 'known')

/** Of the site's places those that a document has cards for. */
function placesOf({ pages, ownSurfaces }: RunDocument): Surface[] {
  const cards = pages[0]?.cards ?? {}
  return surfacesWith(ownSurfaces ?? []).filter(({ id }) => Object.hasOwn(cards, id))
}

/** The start page, else the first: the one that stands for the site. */
const startOf = ({ pages, source }: RunDocument) => pages.find(({ url }) => url === source.site) ?? pages[0]

/** Cards of the start page, in places that are told apart at a glance. */
export function startCards(document: RunDocument): ReportCard[] {
  const page = startOf(document)
  return page ? representativePlaces(placesOf(document), MOST_PLACES).map((surface) => ({ page, surface })) : []
}

/** Every section with its troubled pages, all of them; of one without any a typical page and the best. */
export function reportSections(document: RunDocument): ReportSection[] {
  const places = placesOf(document)
  const surface = places.length > 0 ? mainPlace(places) : undefined
  const own = groupBy(document.pages, ({ section }) => section)
  let left = MOST_CARDS
  const levelled = document.pages.map((page) => ({
    url: page.url,
    section: page.section,
    page,
    levels: {
      error: errorsOf(page).length,
      warning: page.findings.filter(({ level }) => level === 'warning').length,
      note: 0,
    },
  }))
  return sampleSections(levelled).map(({ section, pages, samples }) => {
    const troubled = (own.get(section) ?? []).filter((page) => errorsOf(page).length > 0)
    const good = samples.map(({ page }) => page.page).filter((page) => errorsOf(page).length === 0)
    // One that is as it should be stands beside those that are not: what is wrong is seen by it.
    const drawn = troubled.length > 0 ? [...troubled.slice(0, left), ...good.slice(-1)] : good.slice(-2)
    left -= Math.min(left, troubled.length)
    return {
      section,
      pages,
      troubled: troubled.length,
      cards: surface ? drawn.map((page) => ({ page, surface })) : [],
      named: troubled.filter((page) => !drawn.includes(page)),
    }
  })
}

/** How large copies of the pictures are made, so that all have room: pixels of the longer side. */
const sideFor = (pictures: number) => (pictures <= 50 ? 560 : pictures <= 110 ? 400 : 260)

/** Addresses of the pictures that a report shows, the first ones first, and how large copies of them should be. */
export function picturesWanted(document: RunDocument, onePage = false): { urls: string[]; side: number } {
  const cards = [...startCards(document), ...(onePage ? [] : reportSections(document).flatMap(({ cards: of }) => of))]
  const urls = [
    ...new Set(
      cards.flatMap(({ page, surface }) => {
        const { image, favicon } = page.cards[surface.id] ?? {}
        return [image?.url ?? [], (surface.favicon && favicon?.url) || []].flat()
      }),
    ),
  ]
  return { urls, side: sideFor(urls.length) }
}

/** What draws the cards of one report: each picture is held once. */
export function cardPainter(
  document: RunDocument,
  pictures: ReadonlyMap<string, ReportPicture>,
): { paint: (card: ReportCard) => string; symbols: () => string } {
  const used = new Map<string, ReportPicture & { id: string }>()
  let characters = 0
  const idOf = (url: string): string | null => {
    const known = used.get(url)
    if (known) return known.id
    const picture = pictures.get(url)
    if (!picture || characters + picture.source.length > MOST_PICTURE_CHARACTERS) return null
    characters += picture.source.length
    const id = `p${used.size}`
    used.set(url, { ...picture, id })
    return id
  }
  return {
    paint({ page, surface }) {
      const card = page.cards[surface.id]
      if (!card) return ''
      const name = `${surface.name}: ${card.title.shown}, ${pathOn(page.url, document.source.site)}`
      return inlineSvg(drawCard(card, surface, { keyOf: (url) => url }), name, idOf)
    },
    symbols: () => `<svg class="aside" aria-hidden="true">${pictureSymbols([...used.values()])}</svg>`,
  }
}
