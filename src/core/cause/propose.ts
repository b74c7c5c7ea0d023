import { withoutUnnamedHost } from '../address'
import { AND, checkOf, fillWords, type Repair } from '../check'
import { saidBy } from '../draft'
import type { Finding } from '../model'
import { firstValue, metasOf } from '../surface'
import { needsFor } from '../tag'
import { isBlank } from '../text'
import type { Change } from './change'
import type { Desk, Proposed, ReadPage } from './desk'

/**
 * What is proposed for one finding of a page. `changes`: tags of the page. `picture`: a picture that is replaced.
 * `needs`: what has to be made or decided before it can be tried; null where nothing has.
 */
export type Proposal =
  | { kind: 'change'; change: Change; from: string | null; needs: string | null; term?: string | undefined }
  | { kind: 'picture'; url: string; needs: string }
  | { kind: 'crawlers'; tokens: string }
  | { kind: 'favicon' }
  | { kind: 'needs'; needs: string; where: 'server' | 'site' | 'page' }

/** Tags that a page's texts of one family stand in. */
const FAMILY = {
  title: ['title', 'og:title', 'twitter:title'],
  description: ['description', 'og:description', 'twitter:description'],
} as const

/** Tags that a page must have: an empty one is filled, not left out. */
const WANTED: ReadonlySet<string> = new Set([
  'title',
  'description',
  'og:title',
  'og:description',
  'og:image',
  'og:url',
  'og:type',
  'og:site_name',
  'twitter:card',
])

export function repairsOf({ rule, said }: Pick<Finding, 'rule' | 'said'>): readonly Repair[] {
  const repair = checkOf(rule)?.messages[said]?.repair
  return repair === undefined ? [] : Array.isArray(repair) ? repair : [repair as Repair]
}

class Proposer {
  constructor(
    private readonly desk: Desk,
    private readonly page: ReadPage,
    private readonly finding: Finding,
  ) {}

  private filled(words: string): string {
    return fillWords(words, this.finding.data)
  }

  private say(tag: string, { value, needs: lacks, term }: Proposed): Proposal[] {
    const from = this.desk.now(tag, this.page)
    // What is right stays as it is: of two sides of an image one may be.
    if (value !== null && value === from) return []
    // A URL below a site that has no production URL can't be written before there is one.
    const isInvented = value !== null && withoutUnnamedHost(value) !== value
    const needs = isInvented ? needsFor('canonical') : lacks
    return [{ kind: 'change', change: { kind: 'say', tag, value }, from, needs, term }]
  }

  private removeTag(tag: string): Proposal[] {
    return [
      { kind: 'change', change: { kind: 'say', tag, value: null }, from: this.desk.now(tag, this.page), needs: null },
    ]
  }

  /** Every tag of a family that the page has, each with a text of its own. */
  private texts(family: keyof typeof FAMILY, write: (tag: string) => Proposed): Proposal[] {
    const said = FAMILY[family].filter((tag) => !isBlank(saidBy(this.page.facts, tag)))
    return (said.length === 0 ? FAMILY[family].slice(0, 1) : said).flatMap((tag) => this.say(tag, write(tag)))
  }

  private setTag(tag: string, as: string | undefined): Proposal[] {
    const { desk, page } = this
    const now = desk.now(tag, page)
    if (as !== undefined) return this.say(tag, { value: this.filled(as), needs: null })
    const proposed = desk.valueOf(tag, page, now)
    if (proposed === null) return []
    if (tag !== 'og:image') return this.say(tag, proposed)
    return this.picture(proposed)
  }

  /** An empty tag says what the page must say, or says elsewhere; it is left out where there is nothing to say. */
  private fillTag(tag: string): Proposal[] {
    const proposed = this.desk.valueOf(tag, this.page, this.desk.now(tag, this.page))
    const hasNothing = proposed === null || proposed.needs !== null
    return hasNothing && !WANTED.has(tag) ? this.removeTag(tag) : this.setTag(tag, undefined)
  }

  /** A picture is declared with its size; what was said of another goes. */
  private picture(proposed: Proposed): Proposal[] {
    const { page } = this
    const own = this.say('og:image', proposed)
    const stale = ['og:image:url', 'og:image:secure_url', 'og:image:type', 'twitter:image', 'twitter:image:src']
    return [...own, ...stale.filter((key) => metasOf(page.facts, key).length > 0).flatMap((key) => this.removeTag(key))]
  }

  private change(change: Change, from: string | null): Proposal[] {
    return [{ kind: 'change', change, from, needs: null }]
  }

  /** The link that the finding points at: its URL, and where it stands; null where it points at none. */
  private linkAt(links: readonly { href: string; line: number; column: number }[] | undefined) {
    const { line, column } = this.finding
    if (line === null || column === null) return null
    return { line, column, href: links?.find((link) => link.line === line && link.column === column)?.href ?? '' }
  }

  private readonly handlers: { [Do in Repair['do']]: (repair: Extract<Repair, { do: Do }>) => Proposal[] } = {
    // Tags that say the same are one finding, and are repaired alike.
    setTag: ({ tag, to }) =>
      this.filled(tag)
        .split(AND)
        .flatMap((one) => this.setTag(one, to)),
    fillTag: ({ tag }) => this.fillTag(this.filled(tag)),
    removeTag: ({ tag }) => this.removeTag(this.filled(tag)),
    keepOne: ({ tag }) => this.change({ kind: 'once', tag: this.filled(tag) }, 'twice'),
    setAttribute: ({ tag }) => {
      const named = this.filled(tag)
      const attribute = metasOf(this.page.facts, named)[0]?.attribute ?? null
      return this.change({ kind: 'attribute', tag: named }, attribute)
    },
    renameTag: ({ tag, to }) => {
      const named = this.filled(tag)
      return this.change({ kind: 'rename', tag: named, to: this.filled(to) }, named)
    },
    moveTagsUp: () => this.change({ kind: 'earlier' }, null),
    rewriteText: ({ text }) => {
      const named = this.filled(text)
      const family = named.endsWith('description') ? 'description' : named.endsWith('title') ? 'title' : null
      if (family === null) return this.say(named, this.desk.rewritten(named, this.page))
      return this.texts(family, (tag) => this.desk.rewritten(tag, this.page))
    },
    varyText: ({ text }) => {
      // What cards show is what pages share: og: where it says something, else the page's own.
      const shown = firstValue(this.page.facts, `og:${text}`) === null ? text : `og:${text}`
      return this.desk.isOwn(text, this.page) ? [] : this.say(shown, this.desk.varied(text, shown, this.page))
    },
    retitle: ({ like }) => this.say('title', this.desk.builtLike(this.page, this.filled(like))),
    replaceImage: ({ needs }) => {
      const { image } = this.finding
      return image === undefined ? [] : [{ kind: 'picture', url: image, needs }]
    },
    addFavicon: () => [{ kind: 'favicon' }],
    allowCrawlers: () => [{ kind: 'crawlers', tokens: String(this.finding.data?.['tokens'] ?? '') }],
    askPerson: ({ needs, where }) => [{ kind: 'needs', needs: this.filled(needs), where: where ?? 'page' }],
    removeLink: () => {
      const at = this.linkAt(this.page.facts.links)
      return at === null ? [] : this.change({ kind: 'unlink', ...at }, at.href)
    },
    setShareUrl: ({ to }) => {
      const at = this.linkAt(this.page.facts.shareLinks)
      if (at === null) return []
      const via = firstValue(this.page.facts, 'twitter:site')
      return this.change({ kind: 'share', ...at, to: this.filled(to), via }, at.href)
    },
  }

  of(repair: Repair): Proposal[] {
    const handle = this.handlers[repair.do] as (repair: Repair) => Proposal[]
    return handle(repair)
  }
}

/** What would repair a finding of a page that could be read. */
export function proposalsFor(finding: Finding, page: ReadPage, desk: Desk): Proposal[] {
  const proposer = new Proposer(desk, page, finding)
  return repairsOf(finding).flatMap((repair) => proposer.of(repair))
}

/** What would repair a finding of a page that could not be read, or of no page at all. */
export function needsOf(finding: Finding): Extract<Proposal, { kind: 'needs' }>[] {
  return repairsOf(finding).map((repair) => ({
    kind: 'needs',
    needs: neededFor(repair, finding.data),
    where: repair.do === 'askPerson' ? (repair.where ?? 'page') : 'page',
  }))
}

/** What a person has to do or make, where nothing can be tried. */
function neededFor(repair: Repair, data: Finding['data']): string {
  switch (repair.do) {
    case 'askPerson':
      return fillWords(repair.needs, data)
    case 'setTag':
      return needsFor(fillWords(repair.tag, data))
    case 'varyText':
    case 'rewriteText':
      return needsFor(repair.text)
    default:
      return 'a person'
  }
}
