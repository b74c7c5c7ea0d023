import { isNamedSite, resolveAddress } from '../address'
import type { GatheredPage, PageFacts } from '../model'
import { forLast, isBlank } from '../text'
import { metaCandidates } from './candidates'
import type { CardContext } from './card'
import type { Rung } from './card-model'
import { absent, type Candidate, climb } from './ladder'
import { publicImageUrl } from './picture'
import type { Surface } from './profile'

/** Host without `www.`, as a card writes it. */
function shownHost(address: string): string {
  return new URL(address).host.replace(/^www\./, '')
}

/** The host line: that of og:url while it names the page's own site, else that of the address itself. */
function hostCandidates(page: GatheredPage, facts: PageFacts, context: CardContext): Candidate[] {
  const named = metaCandidates(facts, 'og:url').map((candidate) => {
    const address = resolveAddress(candidate.value ?? '', page.url)
    const isOwn = address !== null && context.addresses.isOnSite(context.addresses.toPublic(address))
    return candidate.value === null || isOwn ? candidate : { ...candidate, value: null }
  })
  // Before anything names the production URL there is no host to show.
  const host = isNamedSite(context.addresses.site) ? shownHost(page.url) : null
  return [...named, { ...absent('host'), value: host }]
}

/** `Brasswick Mending Hall › guides`: the folders that the page lies in, not its own name. */
function trail(line: string, pageUrl: string): string {
  const folders = new URL(pageUrl).pathname
    .split('/')
    .filter((part) => part !== '')
    .slice(0, -1)
  return [line, ...folders.map(decoded)].join(' › ')
}

function decoded(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return part
  }
}

const siteLinesOfLast = forLast<Line>()

export function resolveSiteLine(page: GatheredPage, facts: PageFacts, surface: Surface, context: CardContext): Line {
  if (surface.siteLine === 'none') return { line: null, ladder: [] }
  const name = `${surface.siteLine} ${surface.readsBytes?.value ?? null}`
  return siteLinesOfLast(page, context, name, () => siteLineOf(page, facts, surface, context))
}

function siteLineOf(page: GatheredPage, facts: PageFacts, surface: Surface, context: CardContext): Line {
  const names = surface.siteLine === 'host' ? [] : metaCandidates(facts, 'og:site_name')
  const { taken, ladder } = climb(
    [...names, ...hostCandidates(page, facts, context)],
    surface.readsBytes?.value ?? null,
  )
  if (!taken?.value) return { line: null, ladder }
  const line =
    taken.from === 'og:url'
      ? shownHost(context.addresses.toPublic(resolveAddress(taken.value, page.url) ?? page.url))
      : taken.value
  return { line: surface.siteLine === 'name-and-path' ? trail(line, page.url) : line, ladder }
}

/** A profile address is shown as its last path segment: `https://brasswick.example/people/ada` → `ada`. */
function bylineText(value: string): string {
  const address = /^https?:/i.test(value) ? resolveAddress(value, 'about:blank') : null
  if (address === null) return value
  const url = new URL(address)
  return decoded(
    url.pathname
      .split('/')
      .filter((part) => part !== '')
      .at(-1) ?? url.host,
  )
}

type Line = { line: string | null; ladder: Rung[] }
const bylinesOfLast = forLast<Line>()

export function resolveByline(facts: PageFacts, surface: Surface): Line {
  const readsBytes = surface.readsBytes?.value ?? null
  return bylinesOfLast(facts, null, String(readsBytes), () => bylineOf(facts, readsBytes))
}

function bylineOf(facts: PageFacts, readsBytes: number | null): Line {
  const candidates = ['article:author', 'twitter:creator', 'author'].flatMap((key) => metaCandidates(facts, key))
  const { taken, ladder } = climb(candidates, readsBytes)
  return { line: taken?.value ? bylineText(taken.value) : null, ladder }
}

const iconCandidates = (facts: PageFacts): Candidate[] => {
  const icons = facts.links.filter((link) => link.rel.split(' ').includes('icon'))
  const touch = facts.links.filter((link) => /^apple-touch-icon/.test(link.rel))
  const of = (from: string, links: PageFacts['links']): Candidate[] =>
    links.length > 0
      ? links.map(({ href, line, column, endByte }) => ({ from, value: href, line, column, endByte }))
      : [absent(from)]
  return [...of('icon', icons), ...of('apple-touch-icon', touch), { ...absent('favicon.ico'), value: '/favicon.ico' }]
}

type Favicon = { favicon: { url: string; from: string; line: number | null } | null; ladder: Rung[] }
const faviconsOfLast = forLast<Favicon>()

export function resolveFavicon(page: GatheredPage, facts: PageFacts, surface: Surface, context: CardContext): Favicon {
  const readsBytes = surface.readsBytes?.value ?? null
  return faviconsOfLast(page, context, String(readsBytes), () => faviconOf(page, facts, readsBytes, context))
}

function faviconOf(page: GatheredPage, facts: PageFacts, readsBytes: number | null, context: CardContext): Favicon {
  const { taken, ladder } = climb(iconCandidates(facts), readsBytes, (candidate) => {
    const url = iconUrl(page, candidate, context)
    const image = url === null ? undefined : context.images.get(url)
    if (url === null) return { outcome: 'refused', why: 'not an http address' }
    // /favicon.ico is only there when someone found it there.
    if (!image) return candidate.from === 'favicon.ico' ? { outcome: 'absent', why: 'not looked for' } : null
    return image.errorCode === null ? null : { outcome: 'unreachable', why: image.error ?? image.errorCode }
  })
  const url = taken && iconUrl(page, taken, context)
  return { favicon: taken && url ? { url, from: taken.from, line: taken.line } : null, ladder }
}

function iconUrl(page: GatheredPage, candidate: Candidate, context: CardContext): string | null {
  if (isBlank(candidate.value)) return null
  if (candidate.from === 'favicon.ico') return new URL('/favicon.ico', page.url).href
  return publicImageUrl(page, candidate.value!, context)
}
