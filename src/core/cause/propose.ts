import { withoutUnnamedHost } from '../address'
import { AND, checkOf, fillWords, type Mend } from '../check'
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

export function mendsOf({ rule, said }: Pick<Finding, 'rule' | 'said'>): readonly Mend[] {
  const mend = checkOf(rule)?.messages[said]?.mend
  return mend === undefined ? [] : Array.isArray(mend) ? mend : [mend as Mend]
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

  private unsay(tag: string): Proposal[] {
    return [
      { kind: 'change', change: { kind: 'say', tag, value: null }, from: this.desk.now(tag, this.page), needs: null },
    ]
  }

  /** Every tag of a family that the page has, each with a text of its own. */
  private texts(family: keyof typeof FAMILY, write: (tag: string) => Proposed): Proposal[] {
    const said = FAMILY[family].filter((tag) => !isBlank(saidBy(this.page.facts, tag)))
    return (said.length === 0 ? FAMILY[family].slice(0, 1) : said).flatMap((tag) => this.say(tag, write(tag)))
  }

  private sayIt(tag: string, as: string | undefined): Proposal[] {
    const { desk, page } = this
    const now = desk.now(tag, page)
    if (as !== undefined) return this.say(tag, { value: this.filled(as), needs: null })
    const proposed = desk.valueOf(tag, page, now)
    if (proposed === null) return []
    if (tag !== 'og:image') return this.say(tag, proposed)
    return this.picture(proposed)
  }

  /** An empty tag says what the page must say, or says elsewhere; it is left out where there is nothing to say. */
  private fill(tag: string): Proposal[] {
    const proposed = this.desk.valueOf(tag, this.page, this.desk.now(tag, this.page))
    const hasNothing = proposed === null || proposed.needs !== null
    return hasNothing && !WANTED.has(tag) ? this.unsay(tag) : this.sayIt(tag, undefined)
  }

  /** A picture is declared with its size; what was said of another goes. */
  private picture(proposed: Proposed): Proposal[] {
    const { page } = this
    const own = this.say('og:image', proposed)
    const stale = ['og:image:url', 'og:image:secure_url', 'og:image:type', 'twitter:image', 'twitter:image:src']
    return [...own, ...stale.filter((key) => metasOf(page.facts, key).length > 0).flatMap((key) => this.unsay(key))]
  }

  of(mend: Mend): Proposal[] {
    const { desk, page, finding } = this
    const change = (one: Change, from: string | null): Proposal[] => [
      { kind: 'change', change: one, from, needs: null },
    ]
    // Tags that say the same are one finding, and are mended alike.
    if ('say' in mend)
      return this.filled(mend.say)
        .split(AND)
        .flatMap((tag) => this.sayIt(tag, mend.as))
    if ('fill' in mend) return this.fill(this.filled(mend.fill))
    if ('unsay' in mend) return this.unsay(this.filled(mend.unsay))
    if ('once' in mend) return change({ kind: 'once', tag: this.filled(mend.once) }, 'twice')
    if ('attribute' in mend) {
      const tag = this.filled(mend.attribute)
      const attribute = metasOf(page.facts, tag)[0]?.attribute ?? null
      return change({ kind: 'attribute', tag }, attribute)
    }
    if ('rename' in mend) {
      const tag = this.filled(mend.rename)
      return change({ kind: 'rename', tag, to: this.filled(mend.to) }, tag)
    }
    if ('earlier' in mend) return change({ kind: 'earlier' }, null)
    if ('rewrite' in mend) {
      const named = this.filled(mend.rewrite)
      const family = named.endsWith('description') ? 'description' : named.endsWith('title') ? 'title' : null
      if (family === null) return this.say(named, desk.rewritten(named, page))
      return this.texts(family, (tag) => desk.rewritten(tag, page))
    }
    if ('vary' in mend) {
      // What cards show is what pages share: og: where it says something, else the page's own.
      const shown = firstValue(page.facts, `og:${mend.vary}`) === null ? mend.vary : `og:${mend.vary}`
      return desk.isOwn(mend.vary, page) ? [] : this.say(shown, desk.varied(mend.vary, shown, page))
    }
    if ('retitle' in mend) return this.say('title', desk.builtLike(page, this.filled(mend.retitle)))
    if ('picture' in mend)
      return finding.image === undefined ? [] : [{ kind: 'picture', url: finding.image, needs: mend.picture }]
    if ('favicon' in mend) return [{ kind: 'favicon' }]
    if ('crawlers' in mend) return [{ kind: 'crawlers', tokens: String(finding.data?.['tokens'] ?? '') }]
    if ('needs' in mend) return [{ kind: 'needs', needs: this.filled(mend.needs), where: mend.where ?? 'page' }]
    const { line, column } = finding
    if (line === null || column === null) return []
    if ('unlink' in mend) {
      const href = page.facts.links.find((link) => link.line === line && link.column === column)?.href ?? ''
      return change({ kind: 'unlink', href, line, column }, href)
    }
    const href = page.facts.shareLinks?.find((link) => link.line === line && link.column === column)?.href ?? ''
    return change(
      { kind: 'share', href, to: this.filled(mend.share), via: firstValue(page.facts, 'twitter:site'), line, column },
      href,
    )
  }
}

/** What would mend a finding of a page that could be read. */
export function proposalsFor(finding: Finding, page: ReadPage, desk: Desk): Proposal[] {
  const proposer = new Proposer(desk, page, finding)
  return mendsOf(finding).flatMap((mend) => proposer.of(mend))
}

/** What would mend a finding of a page that could not be read, or of no page at all. */
export function needsOf(finding: Finding): Extract<Proposal, { kind: 'needs' }>[] {
  return mendsOf(finding).map((mend) => ({
    kind: 'needs',
    needs:
      'needs' in mend
        ? fillWords(mend.needs, finding.data)
        : 'say' in mend
          ? needsFor(fillWords(mend.say, finding.data))
          : 'vary' in mend || 'rewrite' in mend
            ? needsFor('vary' in mend ? mend.vary : mend.rewrite)
            : 'a person',
    where: 'needs' in mend ? (mend.where ?? 'page') : 'page',
  }))
}
