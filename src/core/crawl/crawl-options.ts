import { z } from 'zod'
import { globFault, limits } from '../address'

const Glob = z.string().superRefine((glob, { addIssue }) => {
  const fault = globFault(glob)
  if (fault !== null) addIssue(fault)
})

/** An address that waits, and how many steps from the start it was found. */
export const QueuedUrl = z.object({ url: z.string(), depth: z.number().int() })
export type QueuedUrl = z.infer<typeof QueuedUrl>

/** What of a site is looked at: the same whether a browser, the command or a program asks. */
export const CrawlScope = z.object({
  /** null: as many as the kind of source allows; a run that reaches that is not complete. */
  maxPages: z.number().int().min(1).max(limits.maxPagesOfBuild).nullable().default(null),
  ignoreRobots: z.boolean().default(false),
  /** Paths that are looked at, and paths that are not. The start page always is. */
  include: z.array(Glob).max(limits.globs).default([]),
  exclude: z.array(Glob).max(limits.globs).default([]),
  /** Pages taken of one section at most: a sample. null: all. */
  perSection: z.number().int().min(1).nullable().default(null),
  /** Hosts that the user says are theirs: their pictures are asked for like the site's own. */
  pictureHosts: z.array(z.string().min(1).max(253)).max(50).default([]),
  /** Goes on with a run that was broken off: what it has, and what waited. */
  resume: z
    .object({ done: z.array(z.string()), waiting: z.array(QueuedUrl) })
    .nullable()
    .default(null),
})

/** What a crawl may be told. */
export type CrawlOptions = z.output<typeof CrawlScope> & {
  /** Address to start from: the build's home page, mostly. */
  start: string
  /** Production URL of the pages; null: it is inferred. */
  site: string | null
  /** Tells a site that names no production URL from others that don't; null: they share one. */
  unnamedAs: string | null
  /** A bound that was asked for is the run's scope; null: the default, and a run that reaches it is not complete. */
  maxDepth: number | null
  concurrency: number
  delayMs: number
  /** Crawler token that the run asks with; null for our own name. */
  askAs: string | null
  /** The run carries a login: cards are then shown as launched. */
  hasLogin: boolean
}

export const defaultCrawlOptions: Omit<CrawlOptions, 'start'> = {
  ...CrawlScope.parse({}),
  site: null,
  unnamedAs: null,
  maxDepth: null,
  concurrency: limits.concurrency,
  delayMs: 0,
  askAs: null,
  hasLogin: false,
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
