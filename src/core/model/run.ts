import { z } from 'zod'
import { Linkers } from './fetch'
import type { GatheredImage } from './image'
import type { GatheredPage } from './page'
import { HttpAddress } from './position'

export const SourceKind = z.enum(['folder', 'zip', 'url', 'sitemap', 'list'])
export type SourceKind = z.infer<typeof SourceKind>

/**
 * Where a build was read, and the production address its pages are meant for. `servedAt` is the base under which a
 * server gave the pages, where it isn't the production address itself.
 */
export const RunSource = z.object({
  kind: SourceKind,
  location: z.string(),
  site: HttpAddress,
  servedAt: z.string().optional(),
  /** Name of the folder or zip that the URLs of a list or a sitemap were read from. Absent: they were asked for. */
  build: z.string().optional(),
  /** What says that the site lives there, where it was inferred: `25 canonicals and 24 og:urls`. */
  siteFrom: z.string().optional(),
  /** Where other signs say that it lives. */
  siteOther: z.object({ site: z.string(), evidence: z.string() }).optional(),
})
export type RunSource = z.infer<typeof RunSource>

const NoteKind = z.enum([
  'offline',
  'bounded',
  'robots-passed',
  'stopped',
  'site-guessed',
  'robots-unknown',
  'login-passed',
  'login-wanted',
  'trap',
  'waiver-ended',
  'not-html',
  'cut-short',
  'two-forms',
  'requirements',
  'taken-over',
])

export const RunNote = z.object({
  kind: NoteKind,
  message: z.string(),
  /** Of a note about a requirement: where it stands in the file. */
  path: z.array(z.union([z.string(), z.number()])).optional(),
})
export type RunNote = z.infer<typeof RunNote>

/** As it stands: robots.txt and logins count. As launched: they don't. */
export const AccessMode = z.enum(['standing', 'launched'])
export type AccessMode = z.infer<typeof AccessMode>

/** Why a run did not read all that it should have. Bounds that the user gave are its scope, and no reason. */
const IncompleteWhy = z.enum(['pages', 'depth', 'time', 'bytes', 'stopped', 'lost', 'nothing-read'])

export const Incomplete = z.object({ why: IncompleteWhy, message: z.string() })
export type Incomplete = z.infer<typeof Incomplete>

/** A URL that links, tags or a sitemap name, and that is not there: no page. `status`: what a server answered. */
export const MissingUrl = z.object({ url: z.string(), status: z.number().int().nullable(), linkers: Linkers })
export type MissingUrl = z.infer<typeof MissingUrl>

/** What was noted beside the pages. */
export const Survey = z.object({
  /** null where no sitemap was looked for: a list of addresses is the whole of its run. `pages` are public addresses. */
  sitemaps: z
    .object({
      read: z.array(z.string()),
      failed: z.array(z.object({ url: z.string(), reason: z.string() })),
      pages: z.array(z.string()),
    })
    .nullable(),
  /** Addresses of the staging server in robots.txt and sitemaps, the first few. */
  onStaging: z.array(z.string()),
  /** Pages that no other page links to; null where not all pages were read. */
  unlinked: z.array(z.string()).nullable(),
  /** Feeds and neighbours in a series that were asked for, and are not there. */
  dead: z.array(z.string()),
  /** URLs that something names and that are not there; absent where none were found. */
  missing: z.array(MissingUrl).optional(),
  /** Colours that the build's style sheets keep in custom properties; absent where none were looked for. */
  colors: z.array(z.object({ name: z.string(), color: z.string() })).optional(),
})
export type Survey = z.infer<typeof Survey>

/** Everything that was gathered in one run: the input of cards and checks. */
export type Gathering = {
  source: RunSource
  startedAt: string
  finishedAt: string
  view: AccessMode
  notes: RunNote[]
  /** Empty where everything was read that the scope names. */
  incomplete: Incomplete[]
  /** What the user narrowed the run to, in words. */
  scope: string[]
  /** robots.txt of the site as read; null when there is none or it could not be read. */
  robotsTxt: string | null
  /** Absent in a run of before it was taken, and in a part of a run. */
  survey?: Survey | undefined
  pages: GatheredPage[]
  images: GatheredImage[]
}
