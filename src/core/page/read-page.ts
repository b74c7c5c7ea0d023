import type { PageFacts, SourceLine } from '../model'
import type { DecodedHtml } from './decode'
import { PageScanner } from './scan'

/** Which lines of a page are wanted: those that people look at, or those that a run by itself goes by. */
export type SourceRowsWanted = 'all' | 'commented'

/** What one page says: its facts, where its links lead, and the lines of its source worth keeping. */
export type PageReading = {
  facts: PageFacts
  /** Raw `href`s of `a` and `area`, in the order of the source. */
  hrefs: string[]
  /** Where each of them stands: line and column in turn, both from 1. Two numbers a link, since pages have hundreds. */
  hrefPlaces: number[]
  /** Address of a `<meta http-equiv=refresh>`, when the page does nothing else; null otherwise. */
  refreshTo: string | null
  /**
   * The lines of the source worth keeping, made when they are asked for, which can be done once. `commented`: those of a
   * head with a comment, which may say what wrote its tags; of another none.
   */
  source: (which?: SourceRowsWanted) => SourceLine[]
}

/** Reads a whole page as the HTML standard builds its tree, scripting off. Never throws: any text is a page. */
export function readPage(html: DecodedHtml): PageReading {
  const scanner = new PageScanner(html)
  scanner.write(html.text, html.text.length + html.bomBytes === html.byteLength)
  return scanner.end()
}
