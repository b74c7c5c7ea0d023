import { decodeHTML } from 'entities'
import { limits } from '../../address'
import type { ContentImage, LinkFact, MetaFact, PageFacts } from '../../model'
import { collapseWhiteSpace, isBlank, trimAscii } from '../../text'
import { readJsonLd } from '../json-ld'
import type { PageReading } from '../read-page'
import { type Attributes, normalized } from './attributes'
import { CapturedTexts, type TextStart } from './captured-texts'
import { copyString } from './copy-string'
import { IN_ASIDE, IN_HEAD, IN_MAIN, IN_UNCOUNTED, TEXT_SHIFT } from './open-elements'
import type { Positions } from './positions'
import { SourceRows } from './source-rows'
import * as T from './tag-table'
import type { TextRun, TextSink } from './tree'
import { declaredSize, imageSource, looksLikeShareLink, refreshAddress, tokensOf } from './values'

/** A page with no more text than this beside its refresh is there only to send on. */
const REFRESH_PAGE_CHARACTERS = 250
/** A page whose text is shorter than this, and which loads a script, waits for that script. */
const SHELL_CHARACTERS = 25
/** Share links kept of one page. */
const SHARE_LINKS = 50

/** Notes what gives a fact as the tree construction tells of it. */
export class FactGatherer implements TextSink {
  readonly rows: SourceRows
  private readonly texts: CapturedTexts
  private text = ''
  private base = 0
  private tokenStart = 0
  private tokenEnd = 0
  private ending = 0
  /** Where the last token of the page ended. */
  private lastToken = 0
  private metas: MetaFact[] = []
  private links: LinkFact[] = []
  private images: ContentImage[] = []
  private jsonLd: PageFacts['jsonLd'] = []
  private hrefs: string[] = []
  private hrefPlaces: number[] = []
  private shareLinks: NonNullable<PageFacts['shareLinks']> = []
  private readonly leftOut = new Set<string>()
  private language: string | null = null
  private baseHref: string | null = null
  private refresh: string | null = null
  private hasMain = false
  private loadsScript = false
  /** Visible characters of the body, counted no further than anybody asks. */
  private visible = 0
  /** What is told is known already: the tree only catches up with the page. */
  isMuted = false
  private headClosedBy: PageFacts['headClosedBy'] = null
  private secondHead: PageFacts['headAgain']
  /** Where the JSON-LD script being read stands. */
  private script: { line: number; column: number } | null = null
  private readonly rowOf = ({ start, line, column }: TextStart) => this.rows.rowAt(start, { line, column })
  /** Puts back what was known when the body began. */
  private forgetBody: () => void = () => {}

  constructor(
    private readonly positions: Positions,
    private readonly attributes: Attributes,
  ) {
    this.rows = new SourceRows(positions)
    this.texts = new CapturedTexts()
  }

  /** The text in hand, and its offset within the page. */
  extend(text: string, base: number): void {
    this.text = text
    this.base = base
    this.rows.extend(text, base)
  }

  /** The text in hand is about to be let go of. */
  beforeDrop(): void {
    this.rows.finishHead()
    this.texts.keepRows(this.rowOf)
  }

  /** The tag or text being read, by offsets within the page; `ending` is the element that an end tag names. */
  atToken(start: number, end: number, ending: number): void {
    if (!this.rows.isHeadRead) this.rows.noteToken(start, this.tokenEnd)
    this.tokenStart = start
    this.tokenEnd = end
    this.ending = ending
  }

  /** The page is over: what is still open ends here. */
  atEnd(offset: number): void {
    this.lastToken = this.tokenEnd
    this.tokenStart = offset
    this.tokenEnd = offset
    this.ending = 0
  }

  bodyOpened(): void {
    this.rows.finishHead()
    const { metas, links, images, jsonLd, hrefs, hrefPlaces, shareLinks, refresh, baseHref, loadsScript } = this
    const lists = [metas, links, images, jsonLd, hrefs, hrefPlaces, shareLinks]
    const lengths = lists.map((list) => list.length)
    const { title } = this.texts
    this.forgetBody = () => {
      for (const [at, list] of lists.entries()) list.length = lengths[at]!
      this.texts.forget()
      this.texts.title = title
      this.rows.forgetBody()
      this.refresh = refresh
      this.baseHref = baseHref
      this.loadsScript = loadsScript
      this.hasMain = false
      this.visible = 0
    }
  }

  bodyDropped(): void {
    this.forgetBody()
  }

  headLeft(tag: number): void {
    if (tag === T.BODY) return
    const raw = this.text.slice(this.tokenStart - this.base, this.tokenStart - this.base + 60)
    const name = tag === 0 ? 'text' : raw.slice(0, 1 + Math.max(0, raw.slice(1).search(/[\s/>]|$/)))
    this.headClosedBy = { by: copyString(tag === 0 ? name : `${name}>`), ...this.positions.at(this.tokenStart) }
  }

  headAgain(): void {
    this.secondHead ??= this.positions.at(this.tokenStart)
  }

  /** Asked at every token, before {@link isSettled}: no text is open, and enough was read to know what the page is. */
  get isNearlySettled(): boolean {
    return this.visible > REFRESH_PAGE_CHARACTERS && (this.hasMain || this.texts.paragraph !== null)
  }

  get isTextOpen(): boolean {
    return this.texts.isAnyOpen
  }

  /** How much text there is still matters. */
  get countsText(): boolean {
    return this.visible <= REFRESH_PAGE_CHARACTERS
  }

  /** No text of the page is open or still to come, but for those that {@link isTextSettled} is asked for. */
  isSettled(isInMain: boolean): boolean {
    return !this.texts.isAnyOpen && (this.texts.mainParagraph !== null || !isInMain)
  }

  /** True when an element of this kind can't add to the texts of the page any more. */
  isTextSettled(tag: number): boolean {
    if (tag === T.H1) return this.texts.h1 !== null
    if (tag === T.TITLE) return this.texts.title !== null
    return (tag !== T.MAIN && tag !== T.ARTICLE) || this.texts.mainParagraph !== null
  }

  /** True when a text that stands in `context` is of no use any more. */
  ignoresText(context: number): boolean {
    return context >>> TEXT_SHIFT === 0 && this.visible > REFRESH_PAGE_CHARACTERS
  }

  insertText(context: number, run: TextRun): void {
    if (this.isMuted) return
    this.texts.add(context, run)
    if ((context & (IN_HEAD | IN_UNCOUNTED)) === 0 && this.visible <= REFRESH_PAGE_CHARACTERS) this.count(run.value)
  }

  private count(text: string): void {
    let { visible } = this
    for (let index = 0; index < text.length && visible <= REFRESH_PAGE_CHARACTERS; index++) {
      const unit = text.charCodeAt(index)
      // Of a surrogate pair the first half counts.
      if (unit > 32 && (unit < 0xdc00 || unit > 0xdfff)) visible++
    }
    this.visible = visible
  }

  textClosed(number: number): void {
    const isOwnEnd = this.ending !== 0 && this.texts.tagOf(number) === this.ending
    const endByte = () => this.positions.bytesBefore(isOwnEnd ? this.tokenEnd : this.tokenStart)
    this.texts.close(number, endByte, this.rowOf)
  }

  /** Content of an element that holds text only. */
  rawContent(context: number, start: number, end: number, isScript: boolean, hasReferences: boolean): void {
    this.rows.noteScript(this.tokenStart, this.base + end)
    if (isScript) {
      if (this.script) this.addJsonLd(this.script, start, end)
      this.script = null
      return
    }
    if (context >>> TEXT_SHIFT === 0) return
    const raw = normalized(this.text.slice(start, end))
    this.texts.addText(context, hasReferences && raw.includes('&') ? decodeHTML(raw) : raw)
  }

  private addJsonLd(at: { line: number; column: number }, start: number, end: number): void {
    const { types, things, siteNames, names, error, faultOffset } = readJsonLd(
      this.text.slice(start, end).replaceAll('\0', '\uFFFD'),
    )
    const errorLine = faultOffset === null ? null : this.positions.at(this.base + start + faultOffset).line
    const { line, column } = at
    const said: PageFacts['jsonLd'][number] = {
      line,
      column,
      types: types.map((type) => this.kept('JSON-LD', type)),
      error: error && copyString(error),
      errorLine,
    }
    if (things.length > 0) said.things = things
    if (siteNames.length > 0) said.siteNames = siteNames.map((name) => this.kept('JSON-LD', name))
    if (names.length > 0) said.names = names.map((name) => this.kept('JSON-LD', name))
    this.jsonLd.push(said)
  }

  /** Is a list as long as it may be? Then what would follow in it is said to be left out. */
  private isFull(list: readonly unknown[], most: number, what: string): boolean {
    if (list.length < most) return false
    this.leftOut.add(`${what} after the first ${most}`)
    return true
  }

  private place(): { line: number; column: number } {
    return this.positions.at(this.tokenStart)
  }

  private tagPlace(): { line: number; column: number; endByte: number } {
    const { line, column } = this.place()
    return { line, column, endByte: this.positions.bytesBefore(this.tokenEnd) }
  }

  element(tag: number, parentContext: number): number {
    if (this.isMuted) return 0
    switch (tag) {
      case T.A:
      case T.AREA:
        this.addHref(tag)
        return 0
      case T.IMG:
        this.addImage()
        return 0
      case T.META:
        this.addMeta((parentContext & IN_HEAD) !== 0)
        return 0
      case T.LINK:
        this.addLink((parentContext & IN_HEAD) !== 0)
        return 0
      case T.SCRIPT:
        this.openScript()
        return 0
      case T.P:
        return this.openParagraph(parentContext)
      case T.H1:
        return this.texts.h1 ? 0 : this.openText(tag, 'h1', parentContext)
      case T.TITLE:
        return this.texts.title ? 0 : this.openText(tag, 'title', parentContext)
      case T.MAIN:
      case T.ARTICLE:
        this.hasMain = true
        return 0
      case T.HTML:
        this.language ??= this.value('lang')
        return 0
      case T.BASE:
        this.baseHref ??= this.value('href')
        return 0
      default:
        return 0
    }
  }

  private openText(tag: number, kind: 'title' | 'h1', context: number): number {
    return this.texts.open(tag, kind, context, this.textStart())
  }

  private textStart() {
    const { line, column } = this.place()
    return { start: this.tokenStart, line, column }
  }

  private openParagraph(context: number): number {
    if ((context & IN_ASIDE) !== 0) return 0
    const isMain = (context & IN_MAIN) !== 0
    if (this.texts.isSettled(isMain) || this.attributes.get('hidden') !== null) return 0
    return this.texts.open(T.P, isMain ? 'mainParagraph' : 'paragraph', context, this.textStart())
  }

  private value(name: string): string | null {
    const value = this.attributes.get(name)
    return value === null ? null : this.kept(name, value)
  }

  /** A text as it is kept: cut to the length that no real text reaches. */
  private kept(what: string, text: string): string {
    if (text.length <= limits.textCharacters) return copyString(text)
    this.leftOut.add(`${what} after ${limits.textCharacters} characters`)
    const last = text.charCodeAt(limits.textCharacters - 1)
    // Half a character is none.
    const isSplit = last >= 0xd800 && last < 0xdc00
    return copyString(text.slice(0, limits.textCharacters - (isSplit ? 1 : 0)))
  }

  private addHref(tag: number): void {
    if (this.isFull(this.hrefs, limits.linksOfPage, 'links')) return
    const href = this.value('href')
    if (href === null) return
    const { line, column } = this.place()
    this.hrefs.push(href)
    this.hrefPlaces.push(line, column)
    if (tag === T.A && this.shareLinks.length < SHARE_LINKS && looksLikeShareLink(href))
      this.shareLinks.push({ href, line, column })
  }

  private addImage(): void {
    const src = imageSource(this.attributes)
    if (!src || this.isFull(this.images, limits.imagesOfPage, 'pictures')) return
    const { line, column, endByte } = this.tagPlace()
    this.images.push({
      src: this.kept('img', src),
      alt: this.value('alt'),
      width: declaredSize(this.attributes.get('width')),
      height: declaredSize(this.attributes.get('height')),
      line,
      column,
      endByte,
    })
    this.rows.noteImage(this.tokenStart)
  }

  private addMeta(inHead: boolean): void {
    const { attributes } = this
    const charset = attributes.get('charset')
    const name = attributes.get('name')
    const property = attributes.get('property')
    const equivalent = attributes.get('http-equiv')
    if (charset === null && name === null && property === null && equivalent === null) return
    if (this.isFull(this.metas, limits.metasOfPage, 'tags')) return
    const content = attributes.get('content')
    const value = content === null ? null : this.kept(trimAscii(name ?? property ?? 'meta').slice(0, 60), content)
    const { line, column } = this.place()
    const endByte = this.positions.bytesBefore(this.tokenEnd)
    const after = content === null ? null : attributes.wordsAfter('content')
    const cutOff = after === null ? {} : { cutOff: this.kept('meta', normalized(after)) }
    const add = (key: string, attribute: MetaFact['attribute'], itsValue: string | null) => {
      const own = attribute === 'charset' ? {} : cutOff
      this.metas.push({
        key: this.kept('meta', key),
        attribute,
        value: itsValue,
        inHead,
        line,
        column,
        endByte,
        ...own,
      })
    }
    if (name !== null) add(trimAscii(name).toLowerCase(), 'name', value)
    // `property` is a list of terms (RDFa): each is a tag of its own.
    if (property !== null) for (const key of tokensOf(property)) add(key.toLowerCase(), 'property', value)
    if (equivalent !== null) add(trimAscii(equivalent).toLowerCase(), 'http-equiv', value)
    if (charset !== null) add('charset', 'charset', this.kept('charset', charset))
    if (equivalent?.toLowerCase() === 'refresh') this.refresh ??= refreshAddress(value ?? '')
    if (!inHead) this.rows.noteBodyTag(this.tokenStart)
  }

  private addLink(inHead: boolean): void {
    const rel = tokensOf((this.attributes.get('rel') ?? '').toLowerCase()).join(' ')
    const href = this.value('href')
    if (rel === '' || href === null || this.isFull(this.links, limits.relLinksOfPage, 'rel links')) return
    const { line, column, endByte } = this.tagPlace()
    const link: LinkFact = { rel: this.kept('rel', rel), href, line, column, endByte }
    for (const name of ['type', 'sizes', 'hreflang'] as const) {
      const value = this.value(name)
      if (value !== null) link[name] = value
    }
    if (!inHead) link.inBody = true
    this.links.push(link)
  }

  private openScript(): void {
    const type = trimAscii(this.attributes.get('type') ?? '').toLowerCase()
    if (type.split(';')[0] === 'application/ld+json') {
      if (!this.isFull(this.jsonLd, limits.jsonLdOfPage, 'JSON-LD')) this.script = this.place()
    } else if (this.attributes.get('src') !== null || type === 'module') this.loadsScript = true
  }

  /** First non-blank value of a meta that stands under any of its attributes. */
  private firstValue(key: string): string | null {
    return this.metas.find((meta) => meta.key === key && !isBlank(meta.value))?.value ?? null
  }

  /** All facts, once the page is read. */
  result(): PageReading {
    const { title, h1 } = this.texts
    const paragraph = this.hasMain ? this.texts.mainParagraph : this.texts.paragraph
    const placed = (text: typeof title) => text && { line: text.line, column: text.column, endByte: text.endByte }
    const facts: PageFacts = {
      title: title && this.kept('title', collapseWhiteSpace(title.text)),
      description: this.firstValue('description'),
      language: this.language,
      canonical:
        this.links.find((link) => link.rel.split(' ').includes('canonical') && !isBlank(link.href))?.href ?? null,
      robots: this.firstValue('robots'),
      h1: h1 && this.kept('h1', collapseWhiteSpace(h1.text)),
      firstParagraph: paragraph && this.kept('first paragraph', collapseWhiteSpace(paragraph.text)),
      base: this.baseHref,
      metas: this.metas,
      links: this.links,
      jsonLd: this.jsonLd,
      contentImages: this.images,
      at: { title: placed(title), h1: placed(h1), firstParagraph: placed(paragraph) },
      shareLinks: this.shareLinks,
      headClosedBy: this.headClosedBy,
      isShell: this.loadsScript && this.visible < SHELL_CHARACTERS,
    }
    if (this.secondHead) facts.headAgain = this.secondHead
    if (this.positions.hasByteOrderMark) facts.hasByteOrderMark = true
    if (this.leftOut.size > 0) facts.leftOut = [...this.leftOut].map(copyString)
    for (const text of [title, h1, paragraph]) if (text) this.rows.note(text.start, text.row)
    this.rows.finish(this.lastToken)
    this.texts.release()
    return {
      facts,
      hrefs: this.hrefs,
      hrefPlaces: this.hrefPlaces,
      refreshTo: this.visible <= REFRESH_PAGE_CHARACTERS ? this.refresh : null,
      source: (which = 'all') => this.rows.result(which),
    }
  }
}
