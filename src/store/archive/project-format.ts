import { z } from 'zod'
import { PictureTemplate } from '@/core/compose'
import { CrawlRequest } from '@/core/crawl'
import { SignOffFile } from '@/core/document'
import { Draft, SiteDefaults } from '@/core/draft'
import { Focus } from '@/core/image'
import { AccessMode, GatheredImage, GatheredPage, Incomplete, RunNote, RunSource, Survey } from '@/core/model'
import { Requirements } from '@/core/requirements'

// What a project archive holds: docs/project-archive.md. Findings, rows and causes are not in it: they are judged again.

/** Name of the file that says what is in the archive. */
export const MANIFEST = 'nimble-parrot-project.json'

/** Pages in one file of the archive. */
export const PAGES_A_FILE = 250

/** Ids of runs are part of file names. */
const RunId = z.string().regex(/^[a-z0-9][\w-]{0,39}$/i, 'a run’s id is letters, digits and dashes')

const RunEntry = z.object({
  id: RunId,
  /** The run whose pages it has where it holds none of its own. */
  base: RunId.optional(),
  source: RunSource,
  view: AccessMode,
  robotsTxt: z.string().nullable(),
  startedAt: z.string(),
  finishedAt: z.string().nullable(),
  touchedAt: z.number(),
  state: z.enum(['stopped', 'done', 'failed']),
  waiting: z.number().int(),
  notes: z.array(RunNote),
  /** Absent in an archive of before they were kept: what was stopped says so in its notes. */
  incomplete: z.array(Incomplete).optional(),
  scope: z.array(z.string()).optional(),
  survey: Survey.optional(),
  signedOff: z
    .object({ by: z.string(), at: z.string(), errors: z.number().int(), content: SignOffFile.optional() })
    .optional(),
  launchedAt: z.string().optional(),
  /** What somebody called it. */
  name: z.string().max(80).optional(),
  lookedAgain: z.object({ run: RunId, url: z.string() }).optional(),
  request: CrawlRequest.optional(),
})
export type RunEntry = z.input<typeof RunEntry>

const HeldMark = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('shared'), surface: z.string(), address: z.string(), run: z.string(), at: z.string() }),
  z.object({
    kind: z.literal('asked'),
    surface: z.string(),
    address: z.string(),
    run: z.string(),
    at: z.string(),
    renewed: z.boolean(),
  }),
])

/** Pictures are shown, and nothing else is done with them: their type is one that only a picture has. */
export const PictureType = z.enum([
  'image/webp',
  'image/jpeg',
  'image/png',
  'image/gif',
  'image/avif',
  'image/svg+xml',
  'image/x-icon',
  'image/bmp',
  'image/tiff',
])

const PackedFile = z.string().regex(/^(?:pictures|files)\/\d{1,7}$/, 'a packed file is called by its number')

export const ProjectManifest = z.object({
  format: z.literal('nimble-parrot-project'),
  version: z.literal(1),
  /** Version of the program that saved it; absent in an archive of before it was written. */
  program: z.string().optional(),
  site: z.url({ protocol: /^https?$/ }),
  savedAt: z.string(),
  runs: z.array(RunEntry),
  /** Digest of each file of a run, by its name; absent in an archive of before they were kept. */
  digests: z.record(z.string(), z.string()).optional(),
  /** Files of pages by the run that holds them. */
  pages: z.record(RunId, z.number().int().min(0).max(10_000)),
  drafts: z.array(Draft),
  defaults: SiteDefaults.nullable(),
  requirements: Requirements.nullable(),
  templates: z.record(z.string(), PictureTemplate).nullable(),
  held: z.array(HeldMark),
  /** Focuses that were set for pictures; absent in an archive of before they were kept. */
  focuses: z.array(z.object({ url: z.string(), focus: Focus, setAt: z.string() })).optional(),
  pictures: z.array(
    z.object({ key: z.string(), file: PackedFile, type: PictureType, kind: z.enum(['small', 'whole']) }),
  ),
  files: z.array(z.object({ name: z.string(), file: PackedFile, type: z.string() })),
})
export type ProjectManifest = z.output<typeof ProjectManifest>

/** `runs/<id>.json`: a run's pages in their order, and the pictures that it found. */
export const RunFile = z.object({
  order: z.array(z.string()),
  images: z.array(GatheredImage.extend({ made: z.literal(true).optional() })),
})
export type RunFile = z.infer<typeof RunFile>

/** `pages/<run>/<number>.json`. */
export const PagesFile = z.array(GatheredPage)

export const runFile = (run: string) => `runs/${run}.json`
export const pagesFile = (run: string, index: number) => `pages/${run}/${String(index).padStart(4, '0')}.json`
