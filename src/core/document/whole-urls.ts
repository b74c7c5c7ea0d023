import { unnamedSite } from '../address'

/** Fields of a run document that hold a URL, or a list of them. */
const URL_FIELDS: ReadonlySet<string> = new Set([
  ...['url', 'finalUrl', 'address', 'page', 'image', 'pages', 'usedBy', 'aliases', 'foundAt', 'site'],
  ...['unlinked', 'dead', 'read', 'linkedFrom'],
])
/** What a page says itself stays as it says it. */
const AS_SAID: ReadonlySet<string> = new Set(['facts', 'kept'])

type Place = { site: null; path?: unknown; [field: string]: unknown }

const isUnnamed = (source: unknown): source is Place =>
  typeof source === 'object' && source !== null && 'site' in source && source.site === null

/**
 * The source of a document whose site has no production URL, with the base that stands for it; null where it has one.
 *
 * @param unnamedAs tells such sites apart; null: they share one
 */
export function namedSource(
  source: unknown,
  unnamedAs: string | null,
): { site: string; [field: string]: unknown } | null {
  if (!isUnnamed(source)) return null
  const { path } = source
  const isPath = typeof path === 'string' && /^\/(?:[^?#]*\/)?$/.test(path) && !path.startsWith('//')
  return { ...source, site: unnamedSite(unnamedAs, isPath ? path : '/') }
}

/** A piece of such a document, with the paths that stand for URLs made whole again. @param site base of its pages */
export function withWholeUrls(value: unknown, site: string): unknown {
  const { origin } = new URL(site)
  const whole = (text: unknown) => (typeof text === 'string' && /^\/(?!\/)/.test(text) ? origin + text : text)
  const walk = (one: unknown): unknown => {
    if (Array.isArray(one)) return one.map(walk)
    if (typeof one !== 'object' || one === null) return one
    return Object.fromEntries(
      Object.entries(one).map(([key, own]) => {
        if (AS_SAID.has(key)) return [key, own]
        if (!URL_FIELDS.has(key)) return [key, walk(own)]
        return [
          key,
          Array.isArray(own)
            ? own.map((each) => (typeof each === 'string' ? whole(each) : walk(each)))
            : typeof own === 'string'
              ? whole(own)
              : walk(own),
        ]
      }),
    )
  }
  return walk(value)
}
