import type { ContentImage, JsonLdFact, LinkFact, MetaFact, PageFacts, TagPosition } from '../model'
import { collapseWhiteSpace, isBlank, trimAscii } from '../text/collapse'
import { byteOffsets, type DecodedHtml } from './decode'
import { readJsonLd } from './json-ld'
import type { LineIndex } from './lines'
import { attribute, type Element, isElement, isHtml, type Node, startOffset, type Tree, textInside } from './tree'

/** A paragraph shorter than this is a label or a date, no sentence about the page. */
const PARAGRAPH_CHARACTERS = 20
/** Elements whose text is about the site, not about the page. */
const ASIDE_ELEMENTS = new Set(['nav', 'header', 'footer', 'aside', 'form', 'dialog'])
const MAIN_ELEMENTS = new Set(['main', 'article'])
/** A page with no more text than this beside its refresh is there only to send on. */
const REFRESH_PAGE_CHARACTERS = 250
const META_NAMES = ['name', 'property', 'http-equiv'] as const

type Place = { inHead: boolean; isAside: boolean; inMain: boolean }
type Unplaced<T> = Omit<T, 'line' | 'column' | 'endByte'> & { element: Element }

/** What the walk gathers; positions are worked out afterwards, for the elements that turned out to matter. */
class Gathered {
  metas: Unplaced<MetaFact>[] = []
  links: Unplaced<LinkFact>[] = []
  images: Unplaced<ContentImage>[] = []
  scripts: Element[] = []
  hrefs: string[] = []
  title: Element | null = null
  h1: Element | null = null
  base: string | null = null
  language: string | null = null
  paragraph: Element | null = null
  mainParagraph: Element | null = null
  hasMain = false
  refresh: string | null = null
  bodyCharacters = 0
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
  if (attribute(element, 'http-equiv')?.toLowerCase() === 'refresh') into.refresh ??= refreshAddress(value ?? '')
}

/** `0; url=/elsewhere` → `/elsewhere`; null when it names no address. */
export function refreshAddress(content: string): string | null {
  const found = /^[\s\d.]*[;,]?\s*(?:url\s*=\s*)?(?:"([^"]*)"?|'([^']*)'?|(.*))$/is.exec(content)
  const address = trimAscii(found?.[1] ?? found?.[2] ?? found?.[3] ?? '')
  return address === '' ? null : address
}

function addLink(element: Element, into: Gathered): void {
  const rel = namesOf((attribute(element, 'rel') ?? '').toLowerCase()).join(' ')
  const href = attribute(element, 'href')
  if (rel === '' || href === null) return
  const link: Unplaced<LinkFact> = { element, rel, href }
  for (const name of ['type', 'sizes', 'hreflang'] as const) {
    const value = attribute(element, name)
    if (value !== null) link[name] = value
  }
  into.links.push(link)
}

function addImage(element: Element, into: Gathered): void {
  const lazy = attribute(element, 'data-src') ?? attribute(element, 'data-lazy-src')
  const plain = attribute(element, 'src')
  const fromSet = (attribute(element, 'srcset') ?? '').trim().split(/[\s,]+/)[0]
  const own = plain && !plain.startsWith('data:') ? plain : null
  const src = own ?? lazy ?? (fromSet || null)
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
      into.base ??= attribute(element, 'href')
      return
    case 'title':
      into.title ??= element
      return
    case 'meta':
      addMeta(element, place, into)
      return
    case 'link':
      addLink(element, into)
      return
    case 'script':
      if (
        trimAscii(attribute(element, 'type') ?? '')
          .toLowerCase()
          .split(';')[0] === 'application/ld+json'
      ) {
        into.scripts.push(element)
      }
      return
    case 'a':
    case 'area': {
      const href = attribute(element, 'href')
      if (href !== null) into.hrefs.push(href)
      return
    }
    case 'img':
      addImage(element, into)
      return
    case 'h1':
      into.h1 ??= element
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
  const isSettled = into.mainParagraph !== null || (into.paragraph !== null && !place.inMain)
  if (place.isAside || isSettled || attribute(element, 'hidden') !== null) return
  if ([...collapseWhiteSpace(textInside(element))].length < PARAGRAPH_CHARACTERS) return
  if (place.inMain) into.mainParagraph = element
  else into.paragraph ??= element
}

/** Goes through the tree in document order with a stack of its own: pages nest deeper than the call stack allows. */
function walk(tree: Tree, into: Gathered): void {
  const stack: { node: Node; place: Place }[] = [
    { node: tree, place: { inHead: false, isAside: false, inMain: false } },
  ]
  while (stack.length > 0) {
    const { node, place } = stack.pop()!
    let inner = place
    if (isElement(node)) {
      visit(node, place, into)
      if (node.tagName === 'head') inner = { ...place, inHead: true }
      else if (ASIDE_ELEMENTS.has(node.tagName)) inner = { ...place, isAside: true }
      else if (MAIN_ELEMENTS.has(node.tagName)) inner = { ...place, inMain: true }
      else if (node.tagName === 'script' || node.tagName === 'style') continue
    } else if (node.nodeName === '#text' && !place.inHead) {
      into.bodyCharacters += (node as { value: string }).value.trim().length
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
    return { element, end: location?.endOffset ?? 0 }
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

function scriptText(element: Element): string {
  const child = element.childNodes[0]
  return child?.nodeName === '#text' ? (child as { value: string }).value : ''
}

function jsonLdFact(element: Element, lines: LineIndex): JsonLdFact {
  const { types, error, faultOffset } = readJsonLd(scriptText(element))
  const textStart = element.sourceCodeLocation?.startTag?.endOffset ?? 0
  return {
    ...lines.positionOf(Math.max(0, startOffset(element))),
    types,
    error,
    errorLine: faultOffset === null ? null : lines.positionOf(textStart + faultOffset).line,
  }
}

const textOrNull = (element: Element | null) => (element ? collapseWhiteSpace(textInside(element)) : null)

/** First non-blank value of a meta that stands under any of its attributes. */
function firstValue(metas: MetaFact[], key: string): string | null {
  return metas.find((meta) => meta.key === key && !isBlank(meta.value))?.value ?? null
}

/** Reads the facts off a tree. */
export function factsFromTree(
  tree: Tree,
  html: DecodedHtml,
  lines: LineIndex,
): { facts: PageFacts; hrefs: string[]; refreshTo: string | null } {
  const found = new Gathered()
  walk(tree, found)
  const paragraph = found.hasMain ? found.mainParagraph : found.paragraph
  const single = [found.title, found.h1, paragraph].filter((element) => element !== null)
  const many = [...found.metas, ...found.links, ...found.images].map(({ element }) => element)
  const places = placeElements([...new Set([...single, ...many])], html, lines)
  const placed = <T extends { element: Element }>({ element, ...rest }: T) => ({ ...rest, ...places.get(element)! })
  const metas = found.metas.map(placed)
  const links = found.links.map(placed)
  const facts: PageFacts = {
    title: textOrNull(found.title),
    description: firstValue(metas, 'description'),
    language: found.language,
    canonical: links.find((link) => link.rel.split(' ').includes('canonical') && !isBlank(link.href))?.href ?? null,
    robots: firstValue(metas, 'robots'),
    h1: textOrNull(found.h1),
    firstParagraph: textOrNull(paragraph),
    base: found.base,
    metas,
    links,
    jsonLd: found.scripts.map((script) => jsonLdFact(script, lines)),
    contentImages: found.images.map(placed),
    at: {
      title: found.title ? places.get(found.title)! : null,
      h1: found.h1 ? places.get(found.h1)! : null,
      firstParagraph: paragraph ? places.get(paragraph)! : null,
    },
  }
  const refreshTo = found.bodyCharacters <= REFRESH_PAGE_CHARACTERS ? found.refresh : null
  return { facts, hrefs: found.hrefs, refreshTo }
}
