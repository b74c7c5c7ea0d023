import type { ContentImage, JsonLdFact, LinkFact, MetaFact, PageFacts, TagPosition } from '../../model'
import { type DecodedHtml, firstOfSet, LineIndex, looksLikeShareLink, readJsonLd, refreshAddress } from '../../page'
import { collapseWhiteSpace, isBlank, trimAscii } from '../../text'
import { byteOffsets } from './byte-offsets'
import {
  attribute,
  type Element,
  isElement,
  isHtml,
  type Node,
  parseTree,
  startOffset,
  type Tree,
  textInside,
} from './tree'

/** A paragraph shorter than this is a label or a date, no sentence about the page. */
const PARAGRAPH_CHARACTERS = 20
/** Elements whose text is about the site, not about the page. */
const ASIDE_ELEMENTS = new Set(['nav', 'header', 'footer', 'aside', 'form', 'dialog'])
const MAIN_ELEMENTS = new Set(['main', 'article'])
/** A page with no more text than this beside its refresh is there only to send on. */
const REFRESH_PAGE_CHARACTERS = 250
const META_NAMES = ['name', 'property', 'http-equiv'] as const

type Place = { inHead: boolean; isAside: boolean; inMain: boolean; isUncounted: boolean }
type Unplaced<T> = Omit<T, 'line' | 'column' | 'endByte'> & { element: Element }

/** What the walk gathers; positions are worked out afterwards, for the elements that turned out to matter. */
class Gathered {
  metas: Unplaced<MetaFact>[] = []
  links: Unplaced<LinkFact>[] = []
  images: Unplaced<ContentImage>[] = []
  scripts: Element[] = []
  anchors: { element: Element; href: string; isAnchor: boolean }[] = []
  title: Element | null = null
  h1: Element | null = null
  base: Element | null = null
  language: string | null = null
  paragraph: Element | null = null
  mainParagraph: Element | null = null
  hasMain = false
  refresh: { element: Element; content: string } | null = null
  loadsScript = false
  visible = 0
}

const SVG_NUMBER = /^\s*\d+(?:\.\d+)?/

function declaredSize(element: Element, name: 'width' | 'height'): number | null {
  const found = SVG_NUMBER.exec(attribute(element, name) ?? '')
  return found && !attribute(element, name)!.includes('%') ? Number(found[0]) : null
}

function namesOf(value: string): string[] {
  return value.split(/[\t\n\f\r ]+/).filter((name) => name !== '')
}

function addMeta(element: Element, place: Place, into: Gathered): void {
  const value = attribute(element, 'content')
  for (const name of META_NAMES) {
    const named = attribute(element, name)
    if (named === null) continue
    // `property` is a list of terms (RDFa): each is a tag of its own.
    const keys = name === 'property' ? namesOf(named) : [trimAscii(named)]
    for (const key of keys) {
      into.metas.push({ element, key: key.toLowerCase(), attribute: name, value, inHead: place.inHead })
    }
  }
  const charset = attribute(element, 'charset')
  if (charset !== null) {
    into.metas.push({ element, key: 'charset', attribute: 'charset', value: charset, inHead: place.inHead })
  }
  if (attribute(element, 'http-equiv')?.toLowerCase() === 'refresh') {
    const known = into.refresh?.element ?? null
    if (first(known, element) === element && refreshAddress(value ?? ''))
      into.refresh = { element, content: value ?? '' }
  }
}

function addLink(element: Element, place: Place, into: Gathered): void {
  const rel = namesOf((attribute(element, 'rel') ?? '').toLowerCase()).join(' ')
  const href = attribute(element, 'href')
  if (rel === '' || href === null) return
  const link: Unplaced<LinkFact> = { element, rel, href }
  for (const name of ['type', 'sizes', 'hreflang'] as const) {
    const value = attribute(element, name)
    if (value !== null) link[name] = value
  }
  if (!place.inHead) link.inBody = true
  into.links.push(link)
}

function addImage(element: Element, into: Gathered): void {
  const lazy = attribute(element, 'data-src') ?? attribute(element, 'data-lazy-src')
  const plain = attribute(element, 'src')
  const own = plain && !plain.startsWith('data:') ? plain : null
  const src = own ?? lazy ?? firstOfSet(attribute(element, 'srcset') ?? '')
  if (!src) return
  const alt = attribute(element, 'alt')
  const width = declaredSize(element, 'width')
  const height = declaredSize(element, 'height')
  into.images.push({ element, src, alt, width, height })
}

function visit(element: Element, place: Place, into: Gathered): void {
  if (!isHtml(element)) return
  switch (element.tagName) {
    case 'html':
      into.language = attribute(element, 'lang')
      return
    case 'base':
      if (attribute(element, 'href') !== null) into.base = first(into.base, element)
      return
    case 'title':
      into.title = first(into.title, element)
      return
    case 'meta':
      addMeta(element, place, into)
      return
    case 'link':
      addLink(element, place, into)
      return
    case 'script': {
      const type = trimAscii(attribute(element, 'type') ?? '').toLowerCase()
      if (type.split(';')[0] === 'application/ld+json') into.scripts.push(element)
      else if (attribute(element, 'src') !== null || type === 'module') into.loadsScript = true
      return
    }
    case 'a':
    case 'area': {
      const href = attribute(element, 'href')
      // What a formatting element opens again is a copy of the one tag.
      const start = startOffset(element)
      const isCopy = start < 0 || into.anchors.some((known) => startOffset(known.element) === start)
      if (href !== null && !isCopy) into.anchors.push({ element, href, isAnchor: element.tagName === 'a' })
      return
    }
    case 'img':
      addImage(element, into)
      return
    case 'h1':
      into.h1 = first(into.h1, element)
      return
    case 'main':
    case 'article':
      into.hasMain = true
      return
    case 'p':
      addParagraph(element, place, into)
      return
  }
}

function addParagraph(element: Element, place: Place, into: Gathered): void {
  if (place.isAside || attribute(element, 'hidden') !== null) return
  if ([...collapseWhiteSpace(textInside(element))].length < PARAGRAPH_CHARACTERS) return
  if (place.inMain) into.mainParagraph = first(into.mainParagraph, element)
  else into.paragraph = first(into.paragraph, element)
}

/** The one that comes first in the source: in the tree, what stood in a table by mistake comes before the table. */
function first(known: Element | null, found: Element): Element {
  return known && startOffset(known) <= startOffset(found) ? known : found
}

const TEXT_ELEMENTS = new Set(['title', 'textarea', 'xmp', 'iframe', 'noembed', 'noframes'])
const UNCOUNTED = new Set(['script', 'style', 'template', 'noscript'])

/** Goes through the tree with a stack of its own: pages nest deeper than the call stack allows. */
function walk(tree: Tree, into: Gathered): void {
  const stack: { node: Node; place: Place }[] = [
    { node: tree, place: { inHead: false, isAside: false, inMain: false, isUncounted: false } },
  ]
  while (stack.length > 0) {
    const { node, place } = stack.pop()!
    let inner = place
    if (isElement(node)) {
      visit(node, place, into)
      if (UNCOUNTED.has(node.tagName)) inner = { ...inner, isUncounted: true }
      if (isHtml(node)) {
        if (node.tagName === 'head') inner = { ...inner, inHead: true }
        else if (ASIDE_ELEMENTS.has(node.tagName)) inner = { ...inner, isAside: true }
        else if (MAIN_ELEMENTS.has(node.tagName)) inner = { ...inner, inMain: true }
        else if (TEXT_ELEMENTS.has(node.tagName)) inner = { ...inner, isUncounted: true }
      }
    } else if (node.nodeName === '#text' && !place.inHead && !place.isUncounted) {
      into.visible += [...(node as { value: string }).value].filter((character) => character.charCodeAt(0) > 32).length
    }
    if ('childNodes' in node) {
      for (let index = node.childNodes.length - 1; index >= 0; index--) {
        stack.push({ node: node.childNodes[index]!, place: inner })
      }
    }
  }
}

/** Positions of elements: line and column of the start, byte after the start tag (or after the text it holds). */
function placeElements(elements: Element[], html: DecodedHtml, lines: LineIndex): Map<Element, TagPosition> {
  const ends = elements.map((element) => {
    const location = element.sourceCodeLocation
    // The parser gives a title that the page ends in no end of its own.
    const isOpen = location?.startTag && !location.endTag && location.endOffset < location.startTag.endOffset
    return { element, end: isOpen ? html.text.length : (location?.endOffset ?? 0) }
  })
  ends.sort((a, b) => a.end - b.end)
  const bytes = byteOffsets(
    html,
    ends.map(({ end }) => end),
  )
  return new Map(
    ends.map(({ element }, index) => [
      element,
      { ...lines.positionOf(Math.max(0, startOffset(element))), endByte: bytes[index]! },
    ]),
  )
}

/** A script's text as it stands in the source: line ends as they are, so that offsets hold. */
function scriptText(element: Element, html: DecodedHtml): string {
  const location = element.sourceCodeLocation
  const start = location?.startTag?.endOffset ?? 0
  const end = location?.endTag?.startOffset ?? html.text.length
  return html.text.slice(start, end).replaceAll('\0', '\uFFFD')
}

function jsonLdFact(element: Element, html: DecodedHtml, lines: LineIndex): JsonLdFact {
  const { types, things, siteNames, error, faultOffset } = readJsonLd(scriptText(element, html))
  const textStart = element.sourceCodeLocation?.startTag?.endOffset ?? 0
  return {
    ...lines.positionOf(Math.max(0, startOffset(element))),
    types,
    error,
    errorLine: faultOffset === null ? null : lines.positionOf(textStart + faultOffset).line,
    ...(things.length > 0 ? { things } : {}),
    ...(siteNames.length > 0 ? { siteNames } : {}),
  }
}

const textOrNull = (element: Element | null) => (element ? collapseWhiteSpace(textInside(element)) : null)

/** First non-blank value of a meta that stands under any of its attributes. */
function firstValue(metas: MetaFact[], key: string): string | null {
  return metas.find((meta) => meta.key === key && !isBlank(meta.value))?.value ?? null
}

const bySource = (a: { element: Element }, b: { element: Element }) => startOffset(a.element) - startOffset(b.element)

/** The facts of a page, read off the tree that another parser builds of it; lists in the order of the source. */
export function oracleFacts(html: DecodedHtml): { facts: PageFacts; hrefs: string[]; refreshTo: string | null } {
  const lines = new LineIndex(html.text)
  const found = new Gathered()
  const tree = parseTree(html.text)
  walk(tree, found)
  const paragraph = found.hasMain ? found.mainParagraph : found.paragraph
  const single = [found.title, found.h1, paragraph].filter((element) => element !== null)
  for (const list of [found.metas, found.links, found.images, found.anchors]) list.sort(bySource)
  found.scripts.sort((a, b) => startOffset(a) - startOffset(b))
  const many = [...found.metas, ...found.links, ...found.images].map(({ element }) => element)
  const places = placeElements([...new Set([...single, ...many])], html, lines)
  const placed = <T extends { element: Element }>({ element, ...rest }: T) => ({ ...rest, ...places.get(element)! })
  const metas = found.metas.map(placed)
  const links = found.links.map(placed)
  const shares = found.anchors.filter(({ href, isAnchor }) => isAnchor && looksLikeShareLink(href))
  const facts: PageFacts = {
    title: textOrNull(found.title),
    description: firstValue(metas, 'description'),
    language: found.language,
    canonical: links.find((link) => link.rel.split(' ').includes('canonical') && !isBlank(link.href))?.href ?? null,
    robots: firstValue(metas, 'robots'),
    h1: textOrNull(found.h1),
    firstParagraph: textOrNull(paragraph),
    base: found.base && attribute(found.base, 'href'),
    metas,
    links,
    jsonLd: found.scripts.map((script) => jsonLdFact(script, html, lines)),
    contentImages: found.images.map(placed),
    at: {
      title: found.title ? places.get(found.title)! : null,
      h1: found.h1 ? places.get(found.h1)! : null,
      firstParagraph: paragraph ? places.get(paragraph)! : null,
    },
    shareLinks: shares.slice(0, 50).map(({ element, href }) => ({ href, ...lines.positionOf(startOffset(element)) })),
    isShell: found.loadsScript && found.visible < 25,
  }
  return {
    facts,
    hrefs: found.anchors.map(({ href }) => href),
    refreshTo: found.visible <= REFRESH_PAGE_CHARACTERS && found.refresh ? refreshAddress(found.refresh.content) : null,
  }
}
