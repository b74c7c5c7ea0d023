import type { PageFacts, SourceLine } from '../model'
import type { DecodedHtml } from './decode'
import { excerptSource } from './excerpt'
import { factsFromTree } from './facts-from-tree'
import { LineIndex } from './lines'
import { parseTree } from './tree'

/** What one page says: its facts, where its links lead, and the lines of its source worth keeping. */
export type PageReading = {
  facts: PageFacts
  /** Raw `href`s of `a` and `area`, in document order. */
  hrefs: string[]
  /** Address of a `<meta http-equiv=refresh>`, when the page does nothing else; null otherwise. */
  refreshTo: string | null
  source: SourceLine[]
}

/**
 * Reads a page as the HTML standard builds its tree, scripting off. Never throws: any text is a page.
 *
 * Behind this one function a parser that builds the whole tree may be replaced by a scanner that doesn't.
 */
export function readPage(html: DecodedHtml): PageReading {
  const lines = new LineIndex(html.text)
  const tree = parseTree(html.text)
  const { facts, hrefs, refreshTo } = factsFromTree(tree, html, lines)
  return { facts, hrefs, refreshTo, source: excerptSource(tree, html.text, lines, facts) }
}
