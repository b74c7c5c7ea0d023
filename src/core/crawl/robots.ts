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
    const found = /^\s*([\w-]+)\s*:\s*(.*)$/.exec(line.replace(/#.*$/, ''))
    if (!found) continue
    const key = found[1]!.toLowerCase()
    const value = found[2]!.trim()
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

/** Groups that hold for a crawler: all that name it, together; else those for `*`. */
function groupsFor(rules: RobotsRules, token: string): RobotsRules['groups'] {
  const name = token.toLowerCase()
  const own = rules.groups.filter(({ agents }) => agents.some((agent) => agent.split(/[/\s]/)[0] === name))
  return own.length > 0 ? own : rules.groups.filter(({ agents }) => agents.includes('*'))
}

/** Seconds that a crawler is asked to leave between requests; null when not asked. */
export function crawlDelayFor(rules: RobotsRules, token: string): number | null {
  return groupsFor(rules, token).find((group) => group.crawlDelaySeconds !== null)?.crawlDelaySeconds ?? null
}

/** Percent-encoding made equal, so that `/caf%C3%A9` and `/café` are one path. */
function comparable(path: string): string {
  try {
    return encodeURI(decodeURI(path))
  } catch {
    return path
  }
}

/** Does a rule's pattern match from the path's start? `*` stands for anything, `$` at the end for the end. */
function matches(pattern: string, path: string): boolean {
  const isAnchored = pattern.endsWith('$')
  const parts = comparable(isAnchored ? pattern.slice(0, -1) : pattern).split('*')
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
  const wanted = comparable(path)
  let best = { allow: true, length: -1 }
  for (const group of groupsFor(rules, token)) {
    for (const rule of group.rules) {
      const length = rule.path.length
      if (length < best.length || (length === best.length && !rule.allow)) continue
      if (matches(rule.path, wanted)) best = { allow: rule.allow, length }
    }
  }
  return best.allow
}
