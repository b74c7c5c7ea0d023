import { resolveAddress } from '../address'
import type { GatheredPage, RunNote } from '../model'

type Form = 'slash' | 'index' | 'ending' | 'query'

/** Other forms in which a server may answer for a page, plainer ones than its own, each with what it lacks. */
function plainerForms(url: string): { url: string; form: Form }[] {
  const query = url.indexOf('?')
  if (query >= 0) return [{ url: url.slice(0, query), form: 'query' }]
  const index = /^(.*\/)index\.html?$/.exec(url)
  if (index) return [{ url: index[1]!, form: 'index' }]
  const ending = /^(.*[^/])\.html?$/.exec(url)
  if (ending) return [{ url: ending[1]!, form: 'ending' }]
  return url.endsWith('/') ? [{ url: url.slice(0, -1), form: 'slash' }] : []
}

const canonicalOf = (page: GatheredPage) =>
  page.facts?.canonical ? resolveAddress(page.facts.canonical, page.url) : null

const saysTheSame = (a: GatheredPage, b: GatheredPage) =>
  a.facts !== null && b.facts !== null && JSON.stringify(a.facts) === JSON.stringify(b.facts)

/**
 * Which of two addresses that differ in form is the page's; null when they are two pages.
 *
 * With and without a slash at the end they are two, unless both name one of them as canonical (where one redirects to
 * the other, they were never two). `index.html` is its folder, an ending and a query that change nothing are none: as
 * long as both say the very same.
 */
function addressOfBoth(
  page: GatheredPage,
  plain: GatheredPage,
  form: Form,
  isLinked: (url: string) => boolean,
): string | null {
  const canonical = canonicalOf(page)
  const isNamedByBoth = canonical !== null && canonical === canonicalOf(plain)
  const isOneOfThem = isNamedByBoth && (canonical === page.url || canonical === plain.url)
  if (form === 'slash') return isOneOfThem ? canonical : null
  if (!saysTheSame(page, plain)) return null
  // As in a build, where no server tells, what pages link to decides between /name and /name.html.
  if (form === 'ending' && !isLinked(plain.url)) return page.url
  return plain.url
}

/**
 * Puts pages together that a server answers under several forms of one address, without redirecting.
 *
 * @param isLinked whether a link that visitors can take names an address in this form
 */
export function mergeTwins(
  pages: readonly GatheredPage[],
  isLinked: (url: string) => boolean = () => true,
): { pages: GatheredPage[]; note: RunNote | null } {
  const byUrl = new Map(pages.map((page) => [page.url, page]))
  const into = new Map<string, string>()
  for (const page of pages) {
    for (const { url, form } of plainerForms(page.url)) {
      const plain = byUrl.get(url)
      const address = plain && addressOfBoth(page, plain, form, isLinked)
      if (address) into.set(address === page.url ? plain.url : page.url, address)
    }
  }
  if (into.size === 0) return { pages: [...pages], note: null }
  const end = (url: string) => {
    let at = url
    // A form may lead to another, `/a/index.html` to `/a/` to `/a`; never in a circle, since each is plainer or named.
    for (let step = 0; step < 4 && into.has(at); step++) at = into.get(at)!
    return at
  }
  const aliases = new Map<string, string[]>()
  for (const from of into.keys()) {
    const to = end(from)
    aliases.set(to, [...(aliases.get(to) ?? []), from, ...byUrl.get(from)!.fetch.aliases])
  }
  const merged = pages.flatMap((page) => {
    if (into.has(page.url)) return []
    const more = aliases.get(page.url)
    return [more ? { ...page, fetch: { ...page.fetch, aliases: [...page.fetch.aliases, ...more] } } : page]
  })
  const [[from, to]] = [...into] as [[string, string]]
  const count = into.size === 1 ? 'A page is' : `${into.size} pages are`
  const message = `${count} served under two forms of the address without a redirect, such as ${from} and ${to}: they were read as one.`
  return { pages: merged, note: { kind: 'two-forms', message } }
}
