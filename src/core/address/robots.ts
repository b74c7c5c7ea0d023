import { limits } from './limits'

/** robots.txt, read as RFC 9309 says. */
export type RobotsRules = {
  groups: { agents: string[]; rules: { allow: boolean; path: string }[]; crawlDelaySeconds: number | null }[]
  sitemaps: string[]
}

/** A parser must read at least this much (RFC 9309, 2.5); what follows is left. */
const LIMIT_CHARACTERS = 512 * 1024

/** Reads the rules. Never throws: lines that make no sense are passed over. */
export function parseRobots(text: string): RobotsRules {
  const rules: RobotsRules = { groups: [], sitemaps: [] }
  let startsGroup = true
  for (const line of text
    .slice(0, LIMIT_CHARACTERS)
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)) {
    const said = line.split('#', 1)[0]!
    const colon = said.indexOf(':')
    const key = said.slice(0, Math.max(0, colon)).trim().toLowerCase()
    const value = said.slice(colon + 1).trim()
    const group = rules.groups.at(-1)
    if (key === 'sitemap') rules.sitemaps.push(value)
    else if (key === 'user-agent') {
      if (group && !startsGroup) group.agents.push(value.toLowerCase())
      else rules.groups.push({ agents: [value.toLowerCase()], rules: [], crawlDelaySeconds: null })
      startsGroup = false
    } else if (key === 'allow' || key === 'disallow') {
      startsGroup = true
      if (group && value !== '') group.rules.push({ allow: key === 'allow', path: value })
    } else if (key === 'crawl-delay') {
      startsGroup = true
      if (group && Number.isFinite(Number(value))) group.crawlDelaySeconds = Number(value)
    }
  }
  return rules
}

/** A rule's path, cut at its `*`; `isAnchored` where a `$` at its end stands for the end. */
type Pattern = { allow: boolean; length: number; parts: string[]; isAnchored: boolean }

/** What holds for one crawler. `last`: the path that was asked for last, with its answer. */
type RulesForOne = {
  patterns: Pattern[]
  crawlDelaySeconds: number | null
  /** Rules with a `*` beyond the bound, which don't count. */
  leftOut: number
  last: { path: string; allow: boolean } | null
}

/** Worked out once for each crawler, and once for all that the same groups hold for: a crawl asks for every link that it finds. */
const worked = new WeakMap<RobotsRules, Map<string, RulesForOne>>()

function rulesFor(rules: RobotsRules, token: string): RulesForOne {
  const known = worked.get(rules) ?? new Map<string, RulesForOne>()
  worked.set(rules, known)
  let found = known.get(token)
  if (!found) {
    const groups = groupsFor(rules, token)
    const ofGroups = `: ${groups.map((group) => rules.groups.indexOf(group)).join(' ')}`
    found = known.get(ofGroups) ?? workedOut(groups)
    known.set(ofGroups, found)
    known.set(token, found)
  }
  return found
}

function workedOut(groups: RobotsRules['groups']): RulesForOne {
  let wild = 0
  const all = groups.flatMap((group) => group.rules.map(patternOf))
  const patterns = all.filter(({ parts }) => parts.length === 1 || ++wild <= limits.wildRobotsRules)
  const crawlDelaySeconds = groups.find((group) => group.crawlDelaySeconds !== null)?.crawlDelaySeconds ?? null
  return { patterns, crawlDelaySeconds, leftOut: all.length - patterns.length, last: null }
}

/** Rules with a `*` that don't count for a crawler, since there are more than any site needs. */
export const rulesLeftOut = (rules: RobotsRules, token: string): number => rulesFor(rules, token).leftOut

/** Groups that hold for a crawler: all that name it, together; else those for `*`. */
function groupsFor(rules: RobotsRules, token: string): RobotsRules['groups'] {
  const name = token.toLowerCase()
  const own = rules.groups.filter(({ agents }) => agents.some((agent) => agent.split(/[/\s]/)[0] === name))
  return own.length > 0 ? own : rules.groups.filter(({ agents }) => agents.includes('*'))
}

/** Seconds that a crawler is asked to leave between requests; null when not asked. */
export function crawlDelayFor(rules: RobotsRules, token: string): number | null {
  return rulesFor(rules, token).crawlDelaySeconds
}

/** What needs no encoding in a path, and no code stands for (RFC 3986, 2.3 and 2.2). */
const IS_EQUAL = /^[A-Za-z0-9;,/?:@&=+$\-_.!~*'()#]*$/
const CODE = /%[0-9a-f]{2}/gi
const UNRESERVED = /[A-Za-z0-9\-._~]/

/**
 * One form for one path (RFC 9309, 2.2.2): other than ASCII is encoded, what needs no code has none, and codes are in
 * capitals; so that `/caf%c3%a9`, `/café` and `/%63afé` are one.
 */
function comparable(path: string): string {
  if (IS_EQUAL.test(path)) return path
  const encoded = path.replace(/[^\x21-\x7e]+/gu, (text) =>
    encodeURIComponent(text.replace(/\p{Surrogate}/gu, '\uFFFD')),
  )
  return encoded.replace(CODE, (code) => {
    const character = String.fromCharCode(Number.parseInt(code.slice(1), 16))
    return UNRESERVED.test(character) ? character : code.toUpperCase()
  })
}

function patternOf({ allow, path }: { allow: boolean; path: string }): Pattern {
  const isAnchored = path.endsWith('$')
  const parts = comparable(isAnchored ? path.slice(0, -1) : path).split('*')
  return { allow, length: path.length, parts, isAnchored }
}

/** Does a rule's pattern match from the path's start? */
function matches({ parts, isAnchored }: Pattern, path: string): boolean {
  if (!path.startsWith(parts[0]!)) return false
  let index = parts[0]!.length
  if (parts.length === 1) return !isAnchored || index === path.length
  for (const part of parts.slice(1, -1)) {
    const found = path.indexOf(part, index)
    if (found < 0) return false
    index = found + part.length
  }
  const last = parts.at(-1)!
  return isAnchored ? path.length - last.length >= index && path.endsWith(last) : path.indexOf(last, index) >= 0
}

/**
 * May this crawler ask for this path? The longest matching rule decides; of equally long ones, allow.
 *
 * @param path path and query, as in the request
 */
export function isAllowed(rules: RobotsRules, token: string, path: string): boolean {
  const own = rulesFor(rules, token)
  if (own.last?.path === path) return own.last.allow
  const wanted = comparable(path)
  let best = { allow: true, length: -1 }
  for (const pattern of own.patterns) {
    const { allow, length } = pattern
    if (length < best.length || (length === best.length && !allow)) continue
    if (matches(pattern, wanted)) best = { allow, length }
  }
  own.last = { path, allow: best.allow }
  return best.allow
}
