import { isPreviewHost, isPrivateHost, parseUrl, resolveAddress, unnamedSite } from '../address'
import type { PageFacts, RunNote } from '../model'
import { collapseWhiteSpace, plural } from '../text'
import { decodedPath } from './build-files'

/** What one page of a source says of where the site will live. */
export type PageSigns = {
  /** Paths from the source's root that the page may be asked for under: `/guide/`, `/guide`, `/guide/index.html`. */
  forms: readonly string[]
  canonical: readonly string[]
  ogUrl: readonly string[]
  /** Share images with a whole URL. */
  images: readonly string[]
  /** Paths from the root, as links, style sheets, icons and images write them: `/bench/site.css`. */
  rootPaths: readonly string[]
  /** Paths of everything on the same host that the page names; of a server only, where relative links tell as well. */
  served: readonly string[]
  /** `<base href>`, as it is written. */
  base: string | null
}

/** One place where the site may live, and what says so. */
type SiteReading = { site: string; evidence: string }

/** Where a site lives: its production URL with its path, as far as anything says it. */
export type InferredSite = {
  /** With a slash at its end; under `.invalid` where nothing names one ({@link unnamedSite}). */
  site: string
  /** Path on the server that the site's path stands for; `/` of files. */
  servedPath: string
  /** `25 canonicals and 24 og:urls`; null where nothing names the site. */
  evidence: string | null
  /** What other signs say. */
  other: SiteReading | null
  /** Preview hosts that the pages name, which are no production. */
  previews: string[]
}

/** What the signs are looked for in. */
export type SignSource = {
  /** Entries of the sitemap, as they are written; asked for only where the pages' own tags tell nothing. */
  sitemap: () => Promise<readonly string[]>
  /** Is there something under this path of the source? Asked of a server a few times at most. */
  exists: (path: string) => Promise<boolean>
  /** Paths asked at most. */
  mostAsked: number
  /** The server that the pages come from; null of files. */
  startedAt: string | null
  /** Tells sites without a production URL apart; null: they share one. */
  unnamedAs: string | null
}

const withoutTail = (path: string) => path.replace(/[?#].*$/s, '')

/**
 * What a page says, from its facts.
 *
 * @param hrefs of its links, as they are written; null: what it links to and loads is not looked at
 * @param pageUrl where a server gives it; null of a file
 */
export function signsOf(
  forms: readonly string[],
  facts: PageFacts,
  hrefs: readonly string[] | null,
  pageUrl: string | null,
): PageSigns {
  const metas = (...keys: string[]) =>
    facts.metas.flatMap(({ key, value }) => (keys.includes(key) && value ? [collapseWhiteSpace(value)] : []))
  const named =
    hrefs === null
      ? []
      : [...facts.links.map(({ href }) => href), ...hrefs, ...facts.contentImages.map(({ src }) => src)]
  const rootPaths = named.flatMap((raw) => (/^\/(?!\/)/.test(raw) ? [withoutTail(raw)] : []))
  const base = facts.base === null || pageUrl === null ? pageUrl : (resolveAddress(facts.base, pageUrl) ?? pageUrl)
  const served =
    base === null
      ? []
      : named.flatMap((raw) => {
          const url = raw.startsWith('#') ? null : parseUrl(raw, base)
          return url && url.host === new URL(pageUrl!).host ? [url.pathname] : []
        })
  return {
    forms,
    canonical: facts.canonical ? [facts.canonical] : [],
    ogUrl: metas('og:url'),
    images: metas('og:image', 'og:image:url', 'og:image:secure_url', 'twitter:image'),
    rootPaths,
    served,
    base: facts.base,
  }
}

/** Forms in which a file's page may be asked for, from the build's root. */
export function formsOfFile(path: string): string[] {
  const index = /^(.*?)\/?index\.x?html?$/i.exec(`/${path}`)
  if (index) return [`${index[1]}/`, ...(index[1] === '' ? [] : [index[1]!]), `/${path}`]
  const plain = `/${path}`.replace(/\.x?html?$/i, '')
  return [`/${path}`, plain, `${plain}/`]
}

/** The same for a path that a server answers at. */
export const formsOfPath = (path: string): string[] => {
  const index = /^(.*\/)index\.x?html?$/i.exec(path)?.[1]
  if (index !== undefined) return [path, index]
  if (path === '/') return [path]
  return [path, path.endsWith('/') ? path.slice(0, -1) : `${path}/`]
}

/** What stands before a common end of two paths, both with a slash at the end; null where their last names differ. */
function basesOf(form: string, path: string): { served: string; base: string } | null {
  let from = form.length
  let to = path.length
  while (from > 0 && to > 0 && form[from - 1] === path[to - 1]) {
    from--
    to--
  }
  // Back to where a name begins in both: `/a/guide/` and `/b/guide/` share `guide/`.
  const common = form.slice(from)
  const slash = from === 0 || to === 0 ? (common.startsWith('/') ? 0 : -1) : common.indexOf('/')
  if (slash < 0 || (common.slice(slash) === '/' && from > 0 && to > 0)) return null
  return { served: form.slice(0, from + slash + 1), base: path.slice(0, to + slash + 1) }
}

type Kind = 'canonical' | 'og:url' | 'sitemap entry' | 'share image'

/** One place where the site may live, and what names it. */
class Candidate {
  private readonly urls = new Set<string>()
  private readonly counts = new Map<Kind, number>()
  private secure = 0
  private plain = 0

  constructor(
    readonly host: string,
    readonly path: string,
    readonly servedPath: string,
  ) {}

  add(kind: Kind, url: URL): void {
    this.urls.add(url.pathname)
    this.counts.set(kind, (this.counts.get(kind) ?? 0) + 1)
    if (url.protocol === 'https:') this.secure++
    else this.plain++
  }

  /** Different URLs that name it. */
  get size(): number {
    return this.urls.size
  }

  get origin(): string {
    return `${this.secure >= this.plain ? 'https' : 'http'}://${this.host}`
  }

  get words(): string {
    return [...this.counts].map(([kind, count]) => plural(count, kind, KINDS[kind])).join(' and ')
  }
}

const KINDS: Record<Kind, string> = {
  canonical: 'canonicals',
  'og:url': 'og:urls',
  'sitemap entry': 'sitemap entries',
  'share image': 'share images',
}

class Candidates {
  private readonly all = new Map<string, Candidate>()

  add(kind: Kind, url: URL, path: string, servedPath: string): void {
    const key = `${url.host} ${path} ${servedPath}`
    const known = this.all.get(key) ?? new Candidate(url.host, path, servedPath)
    this.all.set(key, known)
    known.add(kind, url)
  }

  /** Those that most different URLs name, first. */
  ranked(): Candidate[] {
    return [...this.all.values()].sort((a, b) => b.size - a.size)
  }
}

/** A URL on a host that could be production. Preview hosts are noted. */
function productionUrl(raw: string, previews: Set<string>): URL | null {
  const url = parseUrl(raw)
  if (!url || !/^https?:$/.test(url.protocol) || isPrivateHost(url.hostname)) return null
  if (!isPreviewHost(url.hostname)) return url
  previews.add(url.origin)
  return null
}

/** Own URLs that say nothing: the same one on every page, which a template has written. */
function repeatedUrls(pages: readonly PageSigns[]): ReadonlySet<string> {
  const repeated = new Set<string>()
  for (const key of ['canonical', 'ogUrl'] as const) {
    const naming = pages.filter((page) => page[key].length > 0)
    const counts = new Map<string, number>()
    for (const page of naming) for (const url of new Set(page[key])) counts.set(url, (counts.get(url) ?? 0) + 1)
    for (const [url, count] of counts) if (count > 1 && count * 2 > naming.length) repeated.add(url)
  }
  return repeated
}

/** What canonicals and og:urls say. Where a URL fits none of its page's paths it tells a host alone. */
function candidatesOfTags(pages: readonly PageSigns[], isOfFiles: boolean, previews: Set<string>) {
  const exact = new Candidates()
  const hosts = new Candidates()
  const repeated = repeatedUrls(pages)
  for (const { forms, canonical, ogUrl } of pages) {
    for (const [kind, urls] of [['canonical', canonical] as const, ['og:url', ogUrl] as const]) {
      for (const raw of urls) {
        const url = productionUrl(raw, previews)
        if (!url || repeated.has(raw)) continue
        // The start page of `/bench/` may be called `/bench`.
        const said = decodedPath(url.pathname)
        const path = forms.includes('/') && !/[/.][^/]*$/.test(said.slice(1)) && !said.endsWith('/') ? `${said}/` : said
        const fits = forms
          .flatMap((form) => basesOf(form, path) ?? [])
          .filter(({ served }) => !isOfFiles || served === '/')
          .sort((a, b) => a.base.length - b.base.length)[0]
        if (fits) exact.add(kind, url, fits.base, fits.served)
        else hosts.add(kind, url, '/', '/')
      }
    }
  }
  return { exact: exact.ranked(), hosts: hosts.ranked() }
}

/** Prefixes of a path that could be that of a site, the shortest first. @example '/a/b/c' → ['/', '/a/', '/a/b/'] */
function prefixesOf(path: string): string[] {
  const prefixes: string[] = []
  for (let at = path.indexOf('/'); at >= 0 && prefixes.length < 5; at = path.indexOf('/', at + 1))
    prefixes.push(path.slice(0, at + 1))
  return prefixes
}

/** Whole URLs of things that the source has under a prefix of their path. */
async function candidatesOfFiles(
  kind: Kind,
  urls: readonly string[],
  source: SignSource,
  previews: Set<string>,
): Promise<Candidate[]> {
  const found = new Candidates()
  const different = [...new Set(urls)].flatMap((raw) => productionUrl(raw, previews) ?? [])
  for (const url of different.slice(0, source.mostAsked)) {
    const path = decodedPath(url.pathname)
    for (const prefix of prefixesOf(path)) {
      const rest = path.slice(prefix.length)
      if ((rest !== '' || different.length === 1) && (await source.exists(`/${rest}`))) {
        found.add(kind, url, prefix, '/')
        break
      }
    }
  }
  return found.ranked()
}

type PathVotes = { path: string; votes: number; all: number }

/** The path that links and assets put in front of what the source has: `/bench/site.css` where it has `site.css`. */
async function pathOfLinks(pages: readonly PageSigns[], source: SignSource): Promise<PathVotes | null> {
  const different = [...new Set(pages.flatMap(({ rootPaths }) => rootPaths))].filter((path) => path !== '/')
  // Files first: a server may answer for any path that could be a page.
  const asked = different.sort((a, b) => Number(/\.\w+$/.test(b)) - Number(/\.\w+$/.test(a))).slice(0, source.mostAsked)
  const votes = new Map<string, number>()
  for (const raw of asked) {
    const path = decodedPath(raw)
    for (const prefix of prefixesOf(path)) {
      const rest = path.slice(prefix.length)
      if (rest === '' && prefix === '/') continue
      if (await source.exists(`/${rest}`)) {
        votes.set(prefix, (votes.get(prefix) ?? 0) + 1)
        break
      }
    }
  }
  for (const { base } of pages) {
    const path = base !== null && /^\/(?!\/).*\/$/.test(base) ? base : null
    if (path !== null && path !== '/') votes.set(path, (votes.get(path) ?? 0) + 1)
  }
  const all = [...votes.values()].reduce((sum, one) => sum + one, 0)
  const [best] = [...votes].sort(([, a], [, b]) => b - a)
  return best && best[1] * 10 >= all * 6 ? { path: best[0], votes: best[1], all } : null
}

/** Of what pages name on their own server, the share that has to lie under a path for the site to lie there. */
const SHARE_UNDER = 0.8

/** The path on its server that a site lives under, where the server has the whole host: what holds nearly all that is named. */
function pathOnServer(pages: readonly PageSigns[]): string {
  const paths = [...new Set(pages.flatMap(({ served }) => served))]
  const own = pages.map(({ forms }) => forms[0]!)
  const [first = '/'] = own
  const under = prefixesOf(first)
    .reverse()
    .find((prefix) => {
      const inside = paths.filter((path) => path.startsWith(prefix) || `${path}/` === prefix).length
      return own.every((path) => path.startsWith(prefix)) && inside >= paths.length * SHARE_UNDER
    })
  return under ?? '/'
}

const atPath = (origin: string, path: string) => new URL(encodeURI(path), origin).href

/**
 * Works out where a site lives, path and all, from what its pages say of themselves, else from its sitemap and its share
 * images. A source on this machine, a preview host, and a URL that is the same on every page are no evidence.
 */
export async function inferSite(pages: readonly PageSigns[], source: SignSource): Promise<InferredSite> {
  const noted = new Set<string>()
  const isOfFiles = source.startedAt === null
  const started = source.startedAt === null ? null : new URL(source.startedAt)
  const ofTags = candidatesOfTags(pages, isOfFiles, noted)
  const links = await pathOfLinks(pages, source)
  const best =
    ofTags.exact[0] ??
    (await candidatesOfFiles('sitemap entry', await source.sitemap(), source, noted))[0] ??
    (ofTags.hosts[0] && (ofTags.hosts[0].size > 1 || pages.length === 1) ? ofTags.hosts[0] : undefined) ??
    (
      await candidatesOfFiles(
        'share image',
        pages.flatMap(({ images }) => images),
        source,
        noted,
      )
    )[0]
  const onServer = isOfFiles ? '/' : pathOnServer(pages)
  const previews = [...noted]
  const isPublic = started !== null && !isPrivateHost(started.hostname)
  if (!best || (isPublic && best.host !== started.host && best.size < Math.min(2, pages.length))) {
    // A server that everybody reaches is the site's own, as long as nothing says otherwise.
    const path = links && links.path !== '/' ? links.path : onServer
    const servedPath = links && links.path !== '/' ? '/' : onServer
    const site =
      isPublic && !isPreviewHost(started.hostname) ? atPath(started.origin, path) : unnamedSite(source.unnamedAs, path)
    return { site, servedPath, evidence: isPublic ? 'where it is served' : null, other: null, previews }
  }
  const origin = started && best.host === started.host ? started.origin : best.origin
  const isMirrored = !isOfFiles && best.path === best.servedPath
  const ofBest = {
    site: atPath(origin, isMirrored ? onServer : best.path),
    servedPath: isMirrored ? onServer : best.servedPath,
    evidence: best.words,
  }
  // Links that lead to what is there, and tags that name another path, can't both be right.
  const isContradicted =
    links !== null && links.path !== best.path && best.servedPath === '/' && !(isMirrored && links.path === '/')
  if (!isContradicted) return { ...ofBest, other: null, previews }
  const ofLinks = {
    site: atPath(origin, links.path),
    servedPath: '/',
    evidence: `${plural(links.votes, 'link', 'links')} under ${links.path}`,
  }
  const [first, second] = links.votes > best.size ? [ofLinks, ofBest] : [ofBest, ofLinks]
  return { ...first, other: { site: second.site, evidence: second.evidence }, previews }
}

/** What a run's source says of where its site lives. */
export const sourceOfSite = ({ site, evidence, other }: InferredSite) => ({
  site,
  ...(evidence === null ? {} : { siteFrom: evidence }),
  ...(other === null ? {} : { siteOther: other }),
})

/** What is said of a site that was inferred, in every paper. */
export function siteNote({ site, evidence, other, previews }: InferredSite): RunNote {
  const preview =
    previews.length > 0
      ? ` ${previews.join(', ')} ${previews.length === 1 ? 'is' : 'are'} named, but ${previews.length === 1 ? 'looks like a preview' : 'look like previews'}.`
      : ''
  const message =
    evidence === null
      ? `The pages name no production URL: their URLs are given as paths.${preview}`
      : other === null
        ? `Site: ${site}, from ${evidence}.`
        : `Site: ${site}, from ${evidence}. Other signs say ${other.site} (${other.evidence}).`
  return { kind: 'site-guessed', message }
}
