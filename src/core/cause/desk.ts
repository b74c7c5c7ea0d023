import { isNamedSite, isPrivateHost, resolveAddress } from '../address'
import {
  type CheckContext,
  defaultPicture,
  isAtLeast,
  lettersWorth,
  namesOfSections,
  ownPart,
  placeholderIn,
  sizedImage,
  withNameOnce,
  withOwnPart,
} from '../check'
import { saidBy } from '../draft'
import { type GatheredImage, type GatheredPage, isKnownType, type PageFacts } from '../model'
import { DEFAULT_LIMITS, describedKind } from '../requirements'
import { firstValue, likelyContentImages, ogImages, publicImageUrl } from '../surface'
import { familyOf, needsFor, tagOf } from '../tag'
import { groupBy, isBlank, languageOf, usualOf, wholeSentences } from '../text'
import { nameOfSite, namesByLanguage } from './name-of-site'
import { isToBeMade, standInPicture, TO_MAKE } from './stand-in'

export type ReadPage = GatheredPage & { facts: PageFacts }

/**
 * What a tag should say on a page. `needs`: it stands in for something that has to be made first, in words; null where
 * the page or its site says it already.
 */
export type Proposed = {
  value: string
  needs: string | null
  /** What it is in terms of the page, where that is known: `{title’s own part}`. */
  term?: string | undefined
}

/** The page's title without what the template adds to it. */
export const OF_TITLE = '{title’s own part}'

const OWN_ADDRESS: ReadonlySet<string> = new Set(['og:url', 'canonical', 'og:image'])

/** Shortest sentence that is a description, in letters, and longest that is shown whole. */
const DESCRIPTION = { min: 50, max: DEFAULT_LIMITS.descriptionCharacters }
/** Shortest name that tells a page from others, in letters, and longest that a card has room for. */
const TITLE = { min: 15, max: DEFAULT_LIMITS.titleCharacters }

/** Values that pages say themselves, for tags that lack them; what the whole site tells is worked out once. */
export class Desk {
  private readonly order: ReadonlyMap<string, number>
  private readonly paragraphs = new Map<string, number>()
  private readonly names = new Map<string, number>()
  private readonly types: ReadonlyMap<string, string>
  private readonly languages: ReadonlyMap<string, string>
  private readonly saidLanguages: ReadonlyMap<string, string>
  readonly siteName: string | null
  /** The same on a page: of its language, where the site has several. */
  private readonly nameOn: (page: ReadPage) => string | null
  /** Every name that pages give the site: a part of it with a name of its own puts that one on its titles. */
  readonly siteNames: readonly string[]
  private readonly defaultPicture: string | null
  private readonly mayShareDefault: boolean
  private readonly isSiteUnknown: boolean
  /** Images of the content by their alternative text. */
  private readonly alts = new Map<string, Set<string>>()
  private readonly handedOut = new Set<string>()
  private readonly accounts: { site: string | null; creator: string | null }

  constructor(private readonly context: CheckContext) {
    const { readable } = context
    this.order = new Map(context.pages.map(({ url }, index) => [url, index + 1]))
    for (const { facts } of readable) {
      const count = (map: Map<string, number>, text: string | null) =>
        isBlank(text) || map.set(text!, (map.get(text!) ?? 0) + 1)
      count(this.paragraphs, facts.firstParagraph)
      for (const { alt, src } of facts.contentImages) {
        if (isBlank(alt)) continue
        const known = this.alts.get(alt!.trim())
        if (known) known.add(src)
        else this.alts.set(alt!.trim(), new Set([src]))
      }
    }
    this.siteName = nameOfSite(context)
    this.nameOn = namesByLanguage(context)
    const said = readable.flatMap(({ facts }) => firstValue(facts, 'og:site_name') ?? [])
    this.siteNames = [
      ...new Set([...(this.siteName === null ? [] : [this.siteName]), ...said, ...namesOfSections(context)]),
    ]
    const { site } = context.addresses
    this.isSiteUnknown = !isNamedSite(site) || isPrivateHost(new URL(site).hostname)
    for (const { facts } of readable) {
      const own = [facts.title, facts.h1].flatMap((name) => (isBlank(name) ? [] : [ownPart(name!, this.siteNames)]))
      for (const name of new Set(own)) this.names.set(name, (this.names.get(name) ?? 0) + 1)
    }
    this.types = this.typesBySection()
    this.languages = this.languagesByGroup()
    this.saidLanguages = this.languagesSaid()
    this.defaultPicture = defaultPicture(context)
    const users = readable.filter((page) => context.declaredImages(page)[0]?.url === this.defaultPicture).length
    // Half of a site with one picture is a fault of its own: the default may help a few pages, not many.
    this.mayShareDefault = this.defaultPicture !== null && users * 3 < readable.length
    const account = (key: string) => usualOf(readable.flatMap(({ facts }) => accountIn(firstValue(facts, key)) ?? []))
    this.accounts = { site: account('twitter:site'), creator: null }
  }

  private typesBySection(): Map<string, string> {
    const bySection = new Map<string, string[]>()
    for (const page of this.context.readable) {
      const type = firstValue(page.facts, 'og:type')
      const section = this.sectionOf(page)
      if (type && isKnownType(type)) bySection.set(section, [...(bySection.get(section) ?? []), type])
    }
    return new Map([...bySection].map(([section, types]) => [section, usualOf(types)!]))
  }

  /** Addresses of pictures that were proposed and are still to be made. */
  get toBeMade(): string[] {
    return [...this.handedOut]
  }

  private sectionOf({ url }: { url: string }): string {
    return this.context.sections.get(url) ?? '/'
  }

  /** Pages of one section and one first segment are mostly of one language. */
  private groupOf(page: { url: string }): string {
    return `${this.sectionOf(page)} ${new URL(page.url).pathname.slice(new URL(this.context.addresses.site).pathname.length).split('/')[0]}`
  }

  private languagesByGroup(): Map<string, string> {
    const texts = new Map<string, string>()
    const all: string[] = []
    for (const page of this.context.readable) {
      const { title, description, h1, firstParagraph } = page.facts
      const text = [title, h1, description, firstParagraph].filter(Boolean).join('\n')
      const group = this.groupOf(page)
      const known = texts.get(group) ?? ''
      // A few pages tell the language of their section; more of them tell no more.
      if (known.length < 4000) texts.set(group, `${known}\n${text}`)
      if (all.length < 200) all.push(text)
    }
    const ofSite = languageOf(all.join('\n'))
    const found = new Map<string, string>()
    for (const [group, text] of texts) {
      const language = languageOf(text) ?? ofSite
      if (language !== null) found.set(group, language)
    }
    return found
  }

  /** What most pages of each group say that their language is. */
  private languagesSaid(): Map<string, string> {
    const said = groupBy(
      this.context.readable.filter(({ facts }) => !isBlank(facts.language)),
      (page) => this.groupOf(page),
    )
    return new Map([...said].map(([group, pages]) => [group, usualOf(pages.map(({ facts }) => facts.language!))!]))
  }

  /** Language of a page: as its own hreflang has it, by its text, by that of its section. */
  language(page: ReadPage): string | null {
    const { facts } = page
    const own = facts.links.find(
      ({ hreflang, href }) => hreflang && hreflang !== 'x-default' && this.publicAddress(page, href) === page.url,
    )
    if (own) return own.hreflang!
    const text = [facts.title, facts.h1, facts.description, facts.firstParagraph].filter(Boolean).join('\n')
    const usual = this.saidLanguages.get(this.groupOf(page)) ?? null
    const told = languageOf(text)
    if (told !== null && usual !== null && usual.split('-')[0]!.toLowerCase() === told) return usual
    return told ?? usual ?? this.languages.get(this.groupOf(page)) ?? null
  }

  private publicAddress(page: ReadPage, href: string): string | null {
    const address = resolveAddress(href, page.url)
    return address === null ? null : this.context.addresses.toPublic(address)
  }

  /** A number that is the page's own: what stands in for its texts differs from page to page. */
  private numberOf(page: GatheredPage): number {
    return this.order.get(page.url) ?? 0
  }

  private standIn(tag: string, page: ReadPage): Proposed {
    const needs = needsFor(tag)
    const number = this.numberOf(page)
    // Of words that no language is told by: which one the page is in is not to change by it.
    if (familyOf(tag) === 'description')
      return { value: `Sentence about page ${number}: still missing, written later, fifty characters minimum.`, needs }
    if (familyOf(tag) === 'title') return { value: this.retitled(page, tag, `What page ${number} is about`), needs }
    if (tag === 'og:image') {
      const value = new URL(`${TO_MAKE}/${number}.jpg`, this.context.addresses.site).href
      this.handedOut.add(value)
      return { value, needs }
    }
    const known = tagOf(tag)?.standIn
    if (known !== undefined) return { value: known, needs }
    if (tag.endsWith('_time') || tag.endsWith('_date')) return { value: '2026-01-01', needs }
    if (tag.endsWith(':amount')) return { value: '1.00', needs }
    if (tag.endsWith(':currency')) return { value: 'EUR', needs }
    return { value: 'To be written', needs }
  }

  /** A title of a page's tag with another own part: what the template adds to it stays. */
  private retitled({ facts }: ReadPage, tag: string, own: string): string {
    const said = (tag === 'title' ? facts.title : firstValue(facts, tag)) ?? ''
    const whole = withOwnPart(said, own, this.siteNames)
    return whole !== null && whole.length <= TITLE.max ? whole : own
  }

  /**
   * What a tag should say on a page: what the page says elsewhere, else what stands in for what a person has to make.
   * null where nothing can stand in for it.
   */
  valueOf(tag: string, page: ReadPage, now: string | null): Proposed | null {
    // Where the production URL is not known, no page's own URL is.
    if (OWN_ADDRESS.has(tag) && this.isSiteUnknown) return null
    const said = this.saidElsewhere(tag, page, now)
    if (said === null) return this.standIn(tag, page)
    return { value: said, needs: null, term: this.termOf(tag, said, page) }
  }

  private termOf(tag: string, said: string, { facts }: ReadPage): string | undefined {
    return tag === 'og:title' && said === ownPart(facts.title ?? '', this.siteNames) ? OF_TITLE : undefined
  }

  /** A text that only a person can write, in place of what a tag says. */
  rewritten(tag: string, page: ReadPage): Proposed {
    return this.standIn(tag, page)
  }

  /** A text of the page's own where pages share one: what only this page says, else a person's. */
  varied(family: 'title' | 'description', tag: string, page: ReadPage): Proposed {
    if (family === 'description') {
      const own = this.paragraph(page)
      return own === null ? this.standIn(tag, page) : { value: own, needs: null }
    }
    const now = tag === 'title' ? page.facts.title : firstValue(page.facts, tag)
    const taken = ownPart(now ?? '', this.siteNames)
    const isFit = (name: string) =>
      this.names.get(name) === 1 && name !== taken && lettersWorth(name) >= TITLE.min && [...name].length <= TITLE.max
    const own = this.ownName(page, isFit)
    if (own === null) return this.standIn(tag, page)
    const value = this.retitled(page, tag, own)
    return { value, needs: null, term: this.termOf(tag, value, page) }
  }

  /** Does the page say its own text, so that others which say it are to change? */
  isOwn(family: 'title' | 'description', { facts }: ReadPage): boolean {
    if (family !== 'title') return false
    const own = ownPart(facts.title ?? '', this.siteNames)
    return firstValue(facts, 'og:title') === own && this.names.get(own) === 1
  }

  /** The page's own name, from its title or its heading; null where neither says what the page is. */
  private ownName({ facts }: ReadPage, isFit: (own: string) => boolean): string | null {
    for (const whole of [facts.title, facts.h1]) {
      if (isBlank(whole)) continue
      const own = ownPart(whole!, this.siteNames)
      if (isFit(own) && placeholderIn(own, whole!) === null && own.toLowerCase() !== 'home') return own
    }
    return null
  }

  /** The first paragraph, where it is a sentence and no other page has it too: those of menus and notices are on many. */
  private paragraph({ facts }: ReadPage): string | null {
    const text = facts.firstParagraph
    if (isBlank(text) || this.paragraphs.get(text!) !== 1 || lettersWorth(text!) < DESCRIPTION.min) return null
    if (placeholderIn(text!, text!) !== null) return null
    return wholeSentences(text!, { least: DESCRIPTION.min, most: DESCRIPTION.max })
  }

  private saidElsewhere(tag: string, page: ReadPage, now: string | null): string | null {
    const { facts } = page
    switch (tag) {
      case 'og:url':
      case 'canonical':
        return page.url
      case 'html lang':
        return this.language(page)
      case 'og:title':
      case 'twitter:title': {
        const own = this.ownName(page, () => true)
        return own === null || own === now ? null : own
      }
      case 'title': {
        const isNew = (name: string | null) => !isBlank(name) && name !== facts.title
        const name = [firstValue(facts, 'og:title'), facts.h1].find(isNew)
        if (!name || placeholderIn(name, name) !== null || lettersWorth(name) < TITLE.min) return null
        return [...name].length <= TITLE.max ? name : null
      }
      case 'description':
      case 'og:description':
      case 'twitter:description': {
        const other = tag === 'description' ? firstValue(facts, 'og:description') : firstValue(facts, 'description')
        const isFit = other !== null && other !== now && placeholderIn(other, other) === null
        return isFit ? other : this.paragraph(page)
      }
      case 'og:type':
        return this.type(page)
      case 'twitter:card':
        return this.cardKind(page)
      case 'og:site_name':
        return this.nameOn(page)
      case 'og:locale':
        return this.locale(page)
      case 'og:image':
        return this.picture(page)
      case 'og:image:width':
      case 'og:image:height':
        return this.side(page, tag === 'og:image:width' ? 'width' : 'height')
      case 'og:image:alt':
        return this.alternative(page)
      case 'twitter:site':
        return accountIn(now) ?? this.accounts.site
      case 'twitter:creator':
        return accountIn(now)
      default:
        return null
    }
  }

  /** By what its JSON-LD describes, by a day of publication, by what its section is; never by its path. */
  private type(page: ReadPage): string {
    const { facts } = page
    if (page.url === this.context.addresses.site) return 'website'
    const required = this.context.requirements.sections?.[this.sectionOf(page)]?.kind
    if (required && required !== 'not-shared') return required
    const described = describedKind(facts)
    if (described !== null) return described
    if (firstValue(facts, 'article:published_time') !== null) return 'article'
    // What the others of its section are tells nothing of the section's first page, or of an odd one among articles.
    const usual = this.types.get(this.sectionOf(page)) ?? 'website'
    return usual === 'article' ? 'website' : usual
  }

  /** The large card where the page's picture fills it, the small one for an upright or a small one. */
  private cardKind(page: ReadPage): string {
    const declared = this.context.declaredImages(page)[0]
    const image = declared && this.context.images.get(declared.url)
    const size = image && sizedImage(image)
    if (!size) return 'summary_large_image'
    return size.width >= 300 && size.height >= 157 && size.width >= 1.5 * size.height
      ? 'summary_large_image'
      : 'summary'
  }

  private locale(page: ReadPage): string | null {
    try {
      const { language, region } = new Intl.Locale(page.facts.language ?? this.language(page) ?? '').maximize()
      return region ? `${language}_${region}` : null
    } catch {
      return null
    }
  }

  /** A large picture of the page's own content; else the site's default, while few pages share it. */
  private picture(page: ReadPage): string | null {
    for (const { src } of likelyContentImages(page.facts)) {
      const url = publicImageUrl(page, src, this.context)
      const image = url === null ? undefined : this.context.images.get(url)
      const size = image && sizedImage(image)
      if (image && size && isGoodPicture(image, size)) return url
    }
    if (!this.mayShareDefault || this.defaultPicture === null) return null
    return SHOWN.has(this.context.images.get(this.defaultPicture)?.format ?? null) ? this.defaultPicture : null
  }

  /** The side of the picture that og:image names, from the file's own header. */
  side(page: ReadPage, side: 'width' | 'height'): string | null {
    const [first] = ogImages(page.facts).filter(({ forms }) => forms.some(({ value }) => !isBlank(value)))
    const form = first?.forms.find(({ value }) => !isBlank(value))
    const url = form ? publicImageUrl(page, form.value!, this.context) : null
    const image = url === null ? undefined : this.pictureAt(url)
    const size = image && sizedImage(image)
    return size ? String(size[side]) : null
  }

  private pictureAt(url: string): GatheredImage | undefined {
    return isToBeMade(url) ? standInPicture(url) : this.context.images.get(url)
  }

  /** The text that the content gives the very same picture. */
  private alternative(page: ReadPage): string | null {
    const declared = this.context.declaredImages(page)[0]
    if (!declared) return null
    const same = page.facts.contentImages.find(
      ({ src, alt }) =>
        !isBlank(alt) &&
        !NO_ALT.test(alt!) &&
        lettersWorth(alt!) >= 8 &&
        publicImageUrl(page, src, this.context) === declared.url,
    )
    const alt = same?.alt?.trim() ?? null
    // What many pages say of different images is said of none of them.
    return alt === null || (this.alts.get(alt)?.size ?? 0) > 1 ? null : alt
  }

  /** The page's title, built like another of its section. */
  builtLike(page: ReadPage, habit: string): Proposed {
    const title = page.facts.title ?? ''
    const own = ownPart(title, this.siteNames)
    if (habit === '' && this.siteNames.length > 0) {
      const once = this.siteNames.includes(own) ? title : withNameOnce(title, own, this.siteNames)
      return { value: once, needs: null }
    }
    return { value: withOwnPart(habit, own, this.siteNames) ?? own, needs: null }
  }

  /** What a tag says now, as an edit of it starts from: null where it is not there. */
  now(tag: string, { facts }: ReadPage): string | null {
    return saidBy(facts, tag)
  }
}

/** Formats that every place shows. */
const SHOWN = new Set<string | null>(['jpeg', 'png', 'webp'])
/** What every place shows large, and crops by a fifth at most. */
const GOOD = { width: 1200, height: 630, narrowest: 1.53, widest: 2.38, bytes: DEFAULT_LIMITS.pictureBytes }

/** Would the picture be shared as it is, without a fault of its own? */
function isGoodPicture(image: GatheredImage, size: { width: number; height: number }): boolean {
  const ratio = size.width / size.height
  return (
    isAtLeast(size, GOOD) &&
    ratio >= GOOD.narrowest &&
    ratio <= GOOD.widest &&
    SHOWN.has(image.format) &&
    image.alpha !== true &&
    !image.animated &&
    (image.bytes ?? 0) <= GOOD.bytes
  )
}

/** Alternative texts that are the template's, or no text at all. */
const NO_ALT = /placeholder|^(?:image|img|photo|picture|user)\b|^\W*$/i

/** `@name` in what somebody wrote for it: an address of a profile, a name without its sign. */
function accountIn(text: string | null): string | null {
  const name = /^(?:https?:\/\/[^/]+\/)?@?(\w{1,15})\/?$/.exec(text?.trim() ?? '')?.[1]
  return name === undefined ? null : `@${name}`
}
