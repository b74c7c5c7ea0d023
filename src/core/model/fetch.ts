import { z } from 'zod'
import { Position } from './position'

export const FailureCode = z.enum([
  'timeout',
  'refused',
  'reset',
  'host-not-found',
  'not-in-build',
  'too-many-redirects',
  'redirect-loop',
  'forbidden',
  'too-large',
  'tls',
  'bad-answer',
  'not-looked-at',
  'stopped',
])
export type FailureCode = z.infer<typeof FailureCode>

export const RedirectHop = z.object({ status: z.number().int(), url: z.string() })
export type RedirectHop = z.infer<typeof RedirectHop>

/** Where a link stands: the page's public address, and the place of its tag. Line 0: a sitemap names it. */
export const LinkPlace = Position.extend({ page: z.string() })
export type LinkPlace = z.infer<typeof LinkPlace>

/** Who links to an address: how many links there are, and the first few. */
export const Linkers = z.object({ count: z.number().int(), first: z.array(LinkPlace) })
export type Linkers = z.infer<typeof Linkers>

/** An address that leads to a page by redirects: what was linked, the way, and who links. Status 200: the page refreshes. */
export const LeadingAddress = z.object({ address: z.string(), chain: z.array(RedirectHop), linkers: Linkers })
export type LeadingAddress = z.infer<typeof LeadingAddress>

/** By what a server tells whether an answer is still the one it gave: ETag and Last-Modified; null: not said. */
export const Validators = z.object({ etag: z.string().nullable(), lastModified: z.string().nullable() })
export type Validators = z.infer<typeof Validators>

/** How one page was got. `status` is the final one; null when nothing answered. */
export const FetchFact = z.object({
  status: z.number().int().nullable(),
  finalUrl: z.string(),
  redirects: z.array(RedirectHop),
  aliases: z.array(z.string()),
  contentType: z.string().nullable(),
  bytes: z.number().int(),
  ms: z.number(),
  error: z.string().nullable(),
  errorCode: FailureCode.nullable(),
  /** X-Robots-Tag as served. */
  robotsHeader: z.string().nullable(),
  fetchedAt: z.string(),
  /** Who links to it; kept where it is not there. */
  linkers: Linkers.optional(),
  /** Addresses that redirect to it; absent where none does. */
  ledHereBy: z.array(LeadingAddress).optional(),
  /** It was longer than is read of one page: what its end says is not known. */
  isCut: z.literal(true).optional(),
  /** Absent where the server said none. */
  validators: Validators.optional(),
  /** What caches said: Age in seconds, ETag, Cache-Control; absent where nothing was said. */
  cache: z
    .object({ ageSeconds: z.number().nullable(), etag: z.string().nullable(), cacheControl: z.string().nullable() })
    .optional(),
})
export type FetchFact = z.infer<typeof FetchFact>

/** The page asked for a second time in another way, and what it then said otherwise. */
export const SecondLook = z.object({
  /** `past-caches`: with a fresh query and no-cache. `as-ourselves`: under our own name, in a run that asks under another. */
  how: z.enum(['past-caches', 'as-ourselves']),
  /** Crawler token that the run asks with; null for our own. */
  askedAs: z.string().nullable(),
  status: z.number().int().nullable(),
  error: z.string().nullable(),
  /** Tags that cards are made of: what the run's own answer says, what the second one does; null where it has none. */
  differs: z.array(z.object({ key: z.string(), here: z.string().nullable(), there: z.string().nullable() })),
})
export type SecondLook = z.infer<typeof SecondLook>
