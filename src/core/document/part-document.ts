import { z } from 'zod'
import {
  AccessMode,
  GatheredImage,
  GatheredPage,
  Incomplete,
  KeptLinks,
  RunNote,
  RunSource,
  Survey,
  VERSION,
} from '../model'

/** How the run was asked for: the parts of one run were all asked alike. */
const Asked = z.object({
  site: z.string().nullable(),
  include: z.array(z.string()),
  exclude: z.array(z.string()),
  perSection: z.number().int().nullable(),
  maxPages: z.number().int().nullable(),
  ignoreRobots: z.boolean(),
  pictures: z.enum(['whole', 'header']),
  pictureHosts: z.array(z.string()),
})
export type Asked = z.infer<typeof Asked>

/** How much a part holds, and a digest of it: what was taken out or put in afterwards shows. */
const Contents = z.object({ pages: z.number().int(), images: z.number().int(), digest: z.string() })

const Partial = z.object({
  contents: Contents,
  shard: z.number().int().min(1),
  of: z.number().int().min(1),
  asked: Asked,
  /** Of a folder or a zip. */
  build: z
    .object({
      listing: z.string(),
      /** All paths of the build; in the first part alone. */
      paths: z.array(z.string()).nullable(),
      passedOver: z.array(z.string()),
      site: z.string(),
      files: z.array(z.object({ path: z.string(), body: z.string(), isCut: z.boolean(), bytes: z.number().int() })),
    })
    .nullable(),
  robotsTxt: z.string().nullable(),
  survey: Survey.nullable(),
  program: z.string(),
})

/** One part of a run, before it is put together with the others: what was read, and nothing that was judged. */
export const PartDocument = z.object({
  format: z.literal('nimble-parrot-run'),
  version: z.literal(1),
  source: RunSource,
  startedAt: z.string(),
  finishedAt: z.string(),
  complete: z.literal(false),
  incomplete: z.array(Incomplete),
  scope: z.array(z.string()),
  view: AccessMode,
  notes: z.array(RunNote),
  partial: Partial,
  pages: z.array(z.object({ path: z.string().nullable(), page: GatheredPage, links: KeptLinks.nullable() })),
  images: z.array(GatheredImage),
})
export type PartDocument = z.infer<typeof PartDocument>

/** The program that read a part: one of another version may read otherwise. */
export const partProgram = VERSION

/** Is it a part of a run, which is of no use by itself? Its number and how many there are; null where it is none. */
export function partIn(value: unknown): { shard: number; of: number } | null {
  const found = z.object({ partial: z.object({ shard: z.number(), of: z.number() }) }).safeParse(value)
  return found.success ? found.data.partial : null
}
