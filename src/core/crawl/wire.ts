import { z } from 'zod'
import { limits } from '../address'
import {
  AccessMode,
  GatheredImage,
  GatheredPage,
  Incomplete,
  LeadingAddress,
  Linkers,
  RunNote,
  RunSource,
  Survey,
} from '../model'
import { CrawlScope, QueuedUrl } from './crawl-options'
import { EarlierFacts } from './earlier'
import type { CrawlEvent } from './events'

const httpAddress = (error: string) => z.url({ protocol: /^https?$/, error })

/** Headers that belong to the connection, not to the person who sends them. */
const CONNECTION_HEADERS =
  /^(?:host|connection|content-length|transfer-encoding|te|trailer|upgrade|expect|proxy-.*|accept-encoding)$/i

/** Headers and login for staging. Kept in memory for the run; never stored, exported or logged. */
export const Login = z.object({
  headers: z
    .array(
      z.object({
        name: z
          .string()
          .regex(/^[!#$%&'*+.^_`|~\w-]+$/, 'A header’s name is letters, digits and dashes.')
          .refine((name) => !CONNECTION_HEADERS.test(name), 'That header belongs to the connection and can’t be set.'),
        value: z.string().regex(/^[\t\x20-\x7E\x80-\xFF]*$/, 'A header’s value is one line.'),
      }),
    )
    .default([]),
  user: z.string().nullable().default(null),
  password: z.string().default(''),
})
export type Login = z.infer<typeof Login>

/** Where the pages come from: an address to crawl from, a list of addresses, or a sitemap. */
const From = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('url'), start: httpAddress('Give an address that starts with http:// or https://.') }),
  z.object({
    kind: z.literal('list'),
    addresses: z.array(z.string()).min(1).max(limits.maxPagesOfBuild),
    follow: z.boolean().default(false),
    /** The file went on beyond what is read of one. */
    isCut: z.boolean().default(false),
    /** What the list is called: the file it came from. */
    name: z.string().min(1).max(200).optional(),
  }),
  z.object({
    kind: z.literal('sitemap'),
    address: httpAddress('The sitemap’s address must start with http:// or https://.'),
    follow: z.boolean().default(false),
  }),
])

/** What the interface asks the server to crawl. */
export const CrawlRequest = z.object({
  from: From,
  site: httpAddress('The production address must start with http:// or https://.').nullable(),
  ...CrawlScope.shape,
  login: Login.nullable().default(null),
  /** Ask caches on the way for what the server says now. */
  pastCaches: z.boolean().default(false),
  /** What an earlier run read: what has not changed since is taken from it. null: all is read. */
  earlier: EarlierFacts.nullable().default(null),
})
export type CrawlRequest = z.input<typeof CrawlRequest>
export type ParsedCrawlRequest = z.output<typeof CrawlRequest>

/** A picture on the wire: with the path under which the server serves it, while it runs. */
export const ServedImage = GatheredImage.extend({ served: z.string().nullable() })
export type ServedImage = z.infer<typeof ServedImage>

/** One line of the crawl's stream. */
export const WireEvent = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('started'),
    source: RunSource,
    view: AccessMode,
    startedAt: z.string(),
    robotsTxt: z.string().nullable(),
    scope: z.array(z.string()),
  }),
  z.object({ kind: z.literal('page'), page: GatheredPage }),
  z.object({ kind: z.literal('alias'), url: z.string(), alias: z.string() }),
  z.object({ kind: z.literal('led-by'), url: z.string(), ledHereBy: z.array(LeadingAddress) }),
  z.object({ kind: z.literal('unlinked-forms'), urls: z.array(z.string()) }),
  z.object({ kind: z.literal('linked-by'), url: z.string(), linkers: Linkers }),
  z.object({ kind: z.literal('found'), waiting: z.array(QueuedUrl) }),
  z.object({ kind: z.literal('image'), image: ServedImage }),
  z.object({ kind: z.literal('note'), note: RunNote }),
  z.object({ kind: z.literal('incomplete'), incomplete: Incomplete }),
  z.object({ kind: z.literal('slowed'), hosts: z.array(z.string()) }),
  z.object({ kind: z.literal('progress'), done: z.number(), waiting: z.number(), fetching: z.array(z.string()) }),
  z.object({ kind: z.literal('survey'), survey: Survey }),
  /** How much of an earlier run was taken over, once, at the end. */
  z.object({ kind: z.literal('taken'), pages: z.number(), pictures: z.number() }),
  z.object({ kind: z.literal('finished'), finishedAt: z.string(), stopped: z.boolean() }),
  /** The run could not start, or broke off: one sentence. */
  z.object({ kind: z.literal('failed'), message: z.string() }),
])
export type WireEvent = z.infer<typeof WireEvent>

/** An event as it goes over the wire. */
export function toWire(event: CrawlEvent, servedAt: (imageUrl: string) => string): WireEvent {
  if (event.kind !== 'image') return event
  const isServed = event.image.errorCode === null
  return { kind: 'image', image: { ...event.image, served: isServed ? servedAt(event.image.url) : null } }
}
