import { limits } from '../address'
import type { QueuedUrl } from './frontier'

/** What a crawl may be told. */
export type CrawlOptions = {
  /** Address to start from: the build's home page, mostly. */
  start: string
  /** Production address of the pages; null: that of `start`, or a guess. */
  site: string | null
  /** Without `site`: take the origin that the start page's canonical or og:url names, when `start` is a private host. */
  guessSite: boolean
  /** Bounds that were asked for are the run's scope; null: the default, and a run that reaches it is not complete. */
  maxPages: number | null
  maxDepth: number | null
  concurrency: number
  delayMs: number
  ignoreRobots: boolean
  /** Paths that are looked at, and paths that are not: globs. The start page always is. */
  include: string[]
  exclude: string[]
  /** Pages taken of one section at most: a sample. null: all. */
  perSection: number | null
  /** Crawler token that the run asks with; null for our own name. */
  askAs: string | null
  /** The run carries a login: cards are then shown as launched. */
  hasLogin: boolean
  /** Hosts that the user says are theirs, for pictures beside those of the site's own domain. */
  pictureHosts: readonly string[]
  /** Goes on with a run that was broken off: what it has, and what waited. */
  resume: { done: string[]; waiting: QueuedUrl[] } | null
}

export const defaultCrawlOptions: Omit<CrawlOptions, 'start'> = {
  site: null,
  guessSite: false,
  maxPages: null,
  maxDepth: null,
  concurrency: limits.concurrency,
  delayMs: 0,
  ignoreRobots: false,
  include: [],
  exclude: [],
  perSection: null,
  askAs: null,
  hasLogin: false,
  pictureHosts: [],
  resume: null,
}

/** Addresses that were given as such, by a list or a sitemap. */
export type GivenAddresses = {
  kind: 'list' | 'sitemap'
  location: string
  addresses: string[]
  follow: boolean
  /** Where a sitemap was read. A preview server serves one that names production, which is not there yet. */
  servedFrom: string | null
}
