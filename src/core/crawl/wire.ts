import { z } from 'zod'
import { GatheredImage, GatheredPage, RunNote, RunSource, View } from '../model'
import type { CrawlEvent } from './events'
import { limits } from './limits'

/** What the interface asks the server to crawl. */
export const CrawlRequest = z.object({
  start: z.url({ protocol: /^https?$/, error: 'Give an address that starts with http:// or https://.' }),
  site: z
    .url({ protocol: /^https?$/, error: 'The production address must start with http:// or https://.' })
    .nullable(),
  maxPages: z.number().int().min(1).max(100_000).default(limits.maxPages),
  ignoreRobots: z.boolean().default(false),
})
export type CrawlRequest = z.input<typeof CrawlRequest>

/** A picture on the wire: with the path under which the server serves it, while it runs. */
export const ServedImage = GatheredImage.extend({ served: z.string().nullable() })
export type ServedImage = z.infer<typeof ServedImage>

/** One line of the crawl's stream. */
export const WireEvent = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('started'),
    source: RunSource,
    view: View,
    startedAt: z.string(),
    robotsTxt: z.string().nullable(),
  }),
  z.object({ kind: z.literal('page'), page: GatheredPage }),
  z.object({ kind: z.literal('alias'), url: z.string(), alias: z.string() }),
  z.object({ kind: z.literal('image'), image: ServedImage }),
  z.object({ kind: z.literal('note'), note: RunNote }),
  z.object({ kind: z.literal('progress'), done: z.number(), waiting: z.number(), fetching: z.array(z.string()) }),
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
