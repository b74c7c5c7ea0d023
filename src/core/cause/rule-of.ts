import { parseUrl } from '../address'
import { firstValue } from '../surface'
import { allTags } from '../tag'
import type { Proposed, ReadPage } from './desk'

/**
 * A rule from what a tag says to what it should say, in terms of the page: `{page}` is its address, `{origin}` its host,
 * `{title}`, `{heading}`, `{description}`, `{paragraph}`, `{language}` and `{locale}` are its own, `{width}` and `{height}` its
 * picture's, `{rest}` is what stays as it is,
 * `{content picture}` is one
 * that its content shows, `{content alt}` the text of one, `{value}` whatever stands there, `{needed}` what has to be made first. null: there is no such tag.
 */
export type EditRule = { from: string | null; to: string | null }

/** One change of a tag on one page, as rules are found from. */
export type RuledChange = {
  page: ReadPage
  from: string | null
  to: string | null
  needs: Proposed['needs']
  /** Why it changes: what follows no rule that can be told is one only where the reason is. */
  reason: string
  /** What it should say in terms of the page, where that is known already. */
  term?: string | undefined
  /** What the tag always is, in terms of the page, whatever that comes to: `{language}`, `{width}`. */
  always?: string | undefined
  /** It is one value for the whole site: that a page's heading says the same is an accident. */
  isSetting?: boolean
}

/** An address or a text, cut after each sign at which a part of it can change by itself. */
const pieces = (text: string) => text.match(/[^/?#:]*[/?#:]?/g)?.filter((piece) => piece !== '') ?? []

/** Where an address begins: its origin, or the slash that stands for it; and what follows. null for any other text. */
function afterOrigin(text: string): { start: string; rest: string } | null {
  const start = /^(?:https?:\/\/[^/?#]+)?\//i.exec(text)?.[0]
  return start === undefined ? null : { start, rest: text.slice(start.length) }
}

/** The rule for another origin: `http://localhost:3000/{rest}` → `https://site.example/{rest}`. */
function ofOrigin(from: string, to: string): EditRule | null {
  const a = afterOrigin(from)
  const b = afterOrigin(to)
  if (!a || !b || a.rest !== b.rest) return null
  // Where the host stays, only the scheme is another.
  const isSecured = b.start === a.start.replace(/^http:/i, 'https:')
  return isSecured ? { from: 'http:{rest}', to: 'https:{rest}' } : { from: `${a.start}{rest}`, to: `${b.start}{rest}` }
}

/** The rule for a change at one end of a value: `http:{rest}` → `https:{rest}`, `{rest}index.html` → `{rest}`. */
function atOneEnd(from: string, to: string): EditRule | null {
  const a = pieces(from)
  const b = pieces(to)
  let tail = 0
  while (tail < a.length && tail < b.length && a.at(-1 - tail) === b.at(-1 - tail)) tail++
  const rest = a.slice(a.length - tail).join('')
  // One piece in common, such as a slash, shows no rule.
  if (tail > 0 && rest.length > 1) {
    const before = a.slice(0, a.length - tail).join('')
    const after = b.slice(0, b.length - tail).join('')
    return { from: `${before}{rest}`, to: `${after}{rest}` }
  }
  let head = 0
  while (head < a.length && head < b.length && a[head] === b[head]) head++
  const start = a.slice(0, head).join('')
  if (start.length > 'https://'.length)
    return { from: `{rest}${from.slice(start.length)}`, to: `{rest}${to.slice(start.length)}` }
  if (to.startsWith(from) || from.startsWith(to)) {
    const shorter = to.length < from.length ? to : from
    if (shorter.length > 'https://'.length)
      return { from: `{rest}${from.slice(shorter.length)}`, to: `{rest}${to.slice(shorter.length)}` }
  }
  return null
}

/** The address of a folder itself follows the rule of those in it: nothing is left of it. */
function ofFolder(from: string, to: string): EditRule[] {
  const isFolder = [from, to].every((text) => /^https?:\/\/[^?#]+\/$/i.test(text))
  return isFolder ? [{ from: `${from}{rest}`, to: `${to}{rest}` }] : []
}

/** What a page says of itself that a template can name. */
function namesOf({ url, facts }: ReadPage): [string, string | null][] {
  return [
    ['{page}', url],
    ['{title}', facts.title],
    ['{heading}', facts.h1],
    ['{description}', facts.description],
    ['{paragraph}', facts.firstParagraph],
    ['{og:title}', firstValue(facts, 'og:title')],
    ['{og:description}', firstValue(facts, 'og:description')],
  ]
}

/** What may follow a page's address in a wrong one: its file's name, a query, an anchor. Of another page it is the path. */
const AFTER_ADDRESS = /^(?:index\.\w+|\.html?|\/|[?#].*)$/

/** An address in terms of the page's own; null where it has nothing to do with that. */
function inTermsOfAddress(value: string, { url }: ReadPage): string | null {
  const bare = url.replace(/\/$/, '')
  if (value === url) return '{page}'
  if (value === bare) return '{page}, without its slash'
  const after = value.startsWith(url) ? value.slice(url.length) : null
  if (after !== null && AFTER_ADDRESS.test(after)) return `{page}${after}`
  const afterBare = bare !== url && value.startsWith(bare) ? value.slice(bare.length) : null
  return afterBare !== null && AFTER_ADDRESS.test(afterBare) ? `{page, without its slash}${afterBare}` : null
}

/** A value in terms of its page; null where it is in none. */
function inTerms(value: string, page: ReadPage): string | null {
  const ofAddress = inTermsOfAddress(value, page)
  if (ofAddress !== null) return ofAddress
  for (const [name, own] of namesOf(page)) if (own !== null && own !== '' && value === own) return name
  const { contentImages, firstParagraph } = page.facts
  if (contentImages.some(({ src }) => parseUrl(src, page.url)?.href === value)) return '{content picture}'
  if (contentImages.some(({ alt }) => alt === value)) return '{content alt}'
  return value.length >= MIN_SENTENCE && firstParagraph?.startsWith(value) ? '{paragraph}' : null
}

/** What tags always come to that nobody writes by hand. */
const OF_TEMPLATE: ReadonlySet<string | null> = new Set(allTags().flatMap(({ always }) => always ?? []))

/** What differs from page to page, and follows no rule that can be told. */
const OWN = '{of the page’s own}'
/** Characters from which on the start of a paragraph is no accident. */
const MIN_SENTENCE = 40

/** Rules that a change is an instance of, the most telling first. */
function rulesFor({ page, from, to, needs, always, isSetting, term: known }: RuledChange): EditRule[] {
  const kept = from === null ? null : '{value}'
  if (needs !== null) return [{ from: kept, to: '{needed}' }]
  const term = to === null || isSetting ? null : (always ?? known ?? inTerms(to, page))
  if (from === null || to === null) {
    const literal = { from, to }
    const any = { from: kept, to: term ?? to }
    const own = to === null || term !== null ? [] : [{ from: kept, to: OWN }]
    return from === null && term !== null ? [any, literal] : [literal, any, ...own]
  }
  if (always !== undefined) return [{ from: from === '' ? '' : '{value}', to: always }]
  const literal = { from, to: term ?? to }
  const own = inTermsOfAddress(from, page)
  const end = ofOrigin(from, to) ?? atOneEnd(from, to)
  return [
    { from, to },
    ...(own === null ? [] : [{ from: own, to: term ?? to }]),
    ...(end === null ? [] : [end]),
    ...ofFolder(from, to),
    literal,
    { from, to: OWN },
    { from: '{value}', to: term ?? to },
    { from: '{value}', to: OWN },
  ]
}

/** A rule that says from what is worth more than one that takes whatever stands there. */
const isVague = ({ from, to }: EditRule) => (from === '{value}' && !OF_TEMPLATE.has(to)) || to === OWN

/** Is it said in terms of the page? */
const isTerm = (to: string | null) => to !== null && /^\{[^}]+\}$/.test(to) && to !== OWN

const keyOf = ({ from, to }: EditRule) => `${from ?? '\0'}\n${to ?? '\0'}`

/** So many changes show a rule. */
const MIN_SHOWN = 2

/**
 * The fewest rules that explain these changes of one tag: each change goes with the rule that most of them follow, the
 * most telling of equals; what follows none with others stays by itself. In one pass over the changes for each rule that
 * is found, and there are few.
 */
export function findRules<T extends RuledChange>(changes: readonly T[]): { rule: EditRule; changes: T[] }[] {
  const options = changes.map((change) => rulesFor(change))
  const members = new Map<string, { rule: EditRule; order: number; of: number[] }>()
  options.forEach((rules, index) => {
    rules.forEach((rule, order) => {
      const key = isVague(rule) ? `${keyOf(rule)}\n${changes[index]!.reason}` : keyOf(rule)
      const known = members.get(key)
      if (known) {
        if (known.of.at(-1) !== index) known.of.push(index)
        known.order = Math.min(known.order, order)
      } else members.set(key, { rule, order, of: [index] })
    })
  })
  const taken = new Set<number>()
  const found: { rule: EditRule; changes: T[] }[] = []
  const byWorth = [...members.values()].sort(
    (a, b) => Number(isVague(a.rule)) - Number(isVague(b.rule)) || b.of.length - a.of.length || a.order - b.order,
  )
  const take = (rule: EditRule, of: readonly number[]) => {
    for (const index of of) taken.add(index)
    found.push({ rule, changes: of.map((index) => changes[index]!) })
  }
  for (const { rule, of } of byWorth) {
    const left = of.filter((index) => !taken.has(index))
    if (left.length >= MIN_SHOWN) take(rule, left)
  }
  changes.forEach((_, index) => {
    if (taken.has(index)) return
    // How an address begins is a rule by itself: another tag may have it too.
    const own = options[index]!
    const isTelling = ({ from, to }: EditRule) =>
      from !== null && (from.endsWith('{rest}') || from.startsWith('{page}') || (!from.startsWith('{') && isTerm(to)))
    const ofItself = `${changes[index]!.from}{rest}`
    take(own.find((rule) => isTelling(rule) && rule.from !== ofItself) ?? own[0]!, [index])
  })
  return found
}
