// The nouns that everything else is written in. Schemas stand at the edges (network, files, storage, workers);
// inside, the plain types are used and nothing is parsed twice.
import { z } from 'zod'
import { parseUrl } from '../address'

/** An absolute http or https address: what takes it apart need not ask again whether it is one. */
export const HttpAddress = z
  .string()
  .refine((text) => /^https?:/i.test(text) && parseUrl(text) !== null, 'It is no http or https address.')

/** SARIF's levels. Only an error blocks the launch. */
export const Level = z.enum(['error', 'warning', 'note'])
export type Level = z.infer<typeof Level>

/** Where a tag starts: lines and columns count from 1, columns in UTF-16 code units, at the `<`. */
export const Position = z.object({ line: z.number().int(), column: z.number().int() })
export type Position = z.infer<typeof Position>

/** A position that also knows the byte after the element's last, as served: byte budgets go by it. */
export const TagPosition = Position.extend({ endByte: z.number().int() })
export type TagPosition = z.infer<typeof TagPosition>

/** One `<meta>`, once for every attribute that names it. `value` is untouched; null without `content`. */
export const MetaFact = TagPosition.extend({
  key: z.string(),
  attribute: z.enum(['name', 'property', 'http-equiv', 'charset']),
  value: z.string().nullable(),
  inHead: z.boolean(),
})
export type MetaFact = z.infer<typeof MetaFact>

/** One `<link>` with a `rel` (its tokens in lower case, single spaces). */
export const LinkFact = TagPosition.extend({
  rel: z.string(),
  href: z.string(),
  type: z.string().optional(),
  sizes: z.string().optional(),
  hreflang: z.string().optional(),
  /** The parser puts it in the body, where search does not read what it says of the page. */
  inBody: z.literal(true).optional(),
})
export type LinkFact = z.infer<typeof LinkFact>

/** Kinds of things that some places lay out with fields of their own. */
export const RichKind = z.enum(['article', 'product', 'recipe', 'place', 'film', 'app'])
export type RichKind = z.infer<typeof RichKind>

/** One `<script type="application/ld+json">`. */
export const JsonLdFact = Position.extend({
  types: z.array(z.string()),
  error: z.string().nullable(),
  errorLine: z.number().int().nullable(),
  /** Things it describes that some place lays out richly, with the fields found; absent when there are none. */
  things: z.array(z.object({ kind: RichKind, fields: z.record(z.string(), z.string()) })).optional(),
  /** What it calls the site, or those whose it is; absent when it names neither. */
  siteNames: z.array(z.string()).optional(),
})
export type JsonLdFact = z.infer<typeof JsonLdFact>

/** A picture in the page's content, in document order. Declared sizes are CSS pixels; null when not declared. */
export const ContentImage = TagPosition.extend({
  src: z.string(),
  alt: z.string().nullable(),
  width: z.number().nullable(),
  height: z.number().nullable(),
})
export type ContentImage = z.infer<typeof ContentImage>

/** What the HTML standard's tree says of one page, scripting off. */
export const PageFacts = z.object({
  title: z.string().nullable(),
  description: z.string().nullable(),
  language: z.string().nullable(),
  canonical: z.string().nullable(),
  robots: z.string().nullable(),
  h1: z.string().nullable(),
  firstParagraph: z.string().nullable(),
  base: z.string().nullable(),
  metas: z.array(MetaFact),
  links: z.array(LinkFact),
  jsonLd: z.array(JsonLdFact),
  contentImages: z.array(ContentImage),
  /** Where the three texts above stand; null where there is none. */
  at: z.object({
    title: TagPosition.nullable(),
    h1: TagPosition.nullable(),
    firstParagraph: TagPosition.nullable(),
  }),
  /** Links that hand an address or a text to another place; runs written before these were read have none. */
  shareLinks: z.array(Position.extend({ href: z.string() })).optional(),
  /** What closed the head before its `</head>`: a tag as written, or `text`. */
  headClosedBy: Position.extend({ by: z.string() }).nullish(),
  /** What was more than is kept of one page, in words: `og:title after 32768 characters`. Absent where nothing was. */
  leftOut: z.array(z.string()).optional(),
  /** The page holds hardly any text and loads a script that is to fill it. */
  isShell: z.boolean().optional(),
})
export type PageFacts = z.infer<typeof PageFacts>

/** A piece of the page's source worth showing: a line, or a part of a line that holds several tags. */
export const SourceLine = Position.extend({ text: z.string(), inHead: z.boolean() })
export type SourceLine = z.infer<typeof SourceLine>

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

/** A page as gathered: what was asked, what came back, what it says. `url` is its public address. */
export const GatheredPage = z.object({
  url: HttpAddress,
  file: z.string().nullable(),
  fetch: FetchFact,
  facts: PageFacts.nullable(),
  source: z.array(SourceLine),
  secondLooks: z.array(SecondLook).optional(),
})
export type GatheredPage = z.infer<typeof GatheredPage>

export const ImageFormat = z.enum(['jpeg', 'png', 'gif', 'webp', 'avif', 'svg', 'bmp', 'ico', 'tiff'])
export type ImageFormat = z.infer<typeof ImageFormat>

export const ImageErrorCode = z.enum([...FailureCode.options, 'status', 'not-image', 'damaged', 'empty'])
export type ImageErrorCode = z.infer<typeof ImageErrorCode>

/** What a picture's numbers stand for. */
export const ImageColors = z.enum(['grey', 'rgb', 'cmyk'])
export type ImageColors = z.infer<typeof ImageColors>

/** One picture as gathered. Width and height are pixels after EXIF orientation; null where not known. */
export const GatheredImage = z.object({
  url: HttpAddress,
  status: z.number().int().nullable(),
  format: ImageFormat.nullable(),
  width: z.number().int().nullable(),
  height: z.number().int().nullable(),
  bytes: z.number().int().nullable(),
  alpha: z.boolean().nullable(),
  animated: z.boolean(),
  hash: z.string().nullable(),
  contentType: z.string().nullable(),
  error: z.string().nullable(),
  errorCode: ImageErrorCode.nullable(),
  /** True while only `<link rel=icon>` names it: such pictures feed no card's picture. */
  iconOnly: z.boolean(),
  /** Absent where the format's header doesn't say. */
  colors: ImageColors.optional(),
  /** It lies outside of the site's path, and the build has it at this address within. */
  foundAt: z.string().optional(),
  /** What it looks like in small, as text (`likeness.ts`); absent where it was not decoded. */
  look: z.string().nullable().optional(),
})
export type GatheredImage = z.infer<typeof GatheredImage>

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
})
export type RunSource = z.infer<typeof RunSource>

export const NoteKind = z.enum([
  'offline',
  'bounded',
  'robots-passed',
  'stopped',
  'site-guessed',
  'robots-unknown',
  'login-passed',
  'trap',
  'waiver-ended',
  'not-html',
  'cut-short',
  'two-forms',
  'requirements',
])
export type NoteKind = z.infer<typeof NoteKind>

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

/** What was said of one page, picture or site. */
export const Finding = z.object({
  rule: z.string(),
  level: Level,
  message: z.string(),
  fix: z.string(),
  line: z.number().int().nullable(),
  column: z.number().int().nullable(),
  image: z.string().optional(),
  /** The way a tag is written is wrong, whatever it says: one change mends it wherever it stands. */
  form: z.literal(true).optional(),
})
export type Finding = z.infer<typeof Finding>

/** Who has taken a finding on, why, and the last day for which that holds (YYYY-MM-DD). */
export const TakenOn = z.object({ reason: z.string(), by: z.string(), until: z.string().optional() })
export type TakenOn = z.infer<typeof TakenOn>

/** A finding that somebody has taken on: it stands in no one’s way, and is not forgotten. */
export const WaivedFinding = Finding.extend({ waiver: TakenOn })
export type WaivedFinding = z.infer<typeof WaivedFinding>

export const SiteFinding = Finding.extend({ pages: z.array(z.string()) })
export type SiteFinding = z.infer<typeof SiteFinding>

/** A check that could not be made: said, never taken for passed. */
export const Skipped = z.object({ rule: z.string(), reason: z.string() })
export type Skipped = z.infer<typeof Skipped>

/** `not-known`: no error was found, but not everything was read that should have been. Never taken for clear. */
export const VerdictWord = z.enum(['clear', 'not-clear', 'not-known'])
export type VerdictWord = z.infer<typeof VerdictWord>

export const Summary = z.object({
  pages: z.number().int(),
  error: z.number().int(),
  warning: z.number().int(),
  note: z.number().int(),
  /** Findings that somebody has taken on. */
  waived: z.number().int(),
  /** True only where the verdict is `clear`. */
  clear: z.boolean(),
  verdict: VerdictWord,
})
export type Summary = z.infer<typeof Summary>

/** Why a run did not read all that it should have. Bounds that the user gave are its scope, and no reason. */
export const IncompleteWhy = z.enum(['pages', 'depth', 'time', 'bytes', 'stopped', 'lost', 'nothing-read'])
export type IncompleteWhy = z.infer<typeof IncompleteWhy>

export const Incomplete = z.object({ why: IncompleteWhy, message: z.string() })
export type Incomplete = z.infer<typeof Incomplete>

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
