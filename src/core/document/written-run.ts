import { z } from 'zod'
import { Cause } from '../cause'
import {
  AccessMode,
  FetchFact,
  GatheredImage,
  Incomplete,
  KeptLinks,
  Level,
  Linkers,
  PageFacts,
  RunNote,
  RunSource,
  SecondLook,
  Skipped,
  SourceLine,
  Summary,
  Survey,
  TakenOn,
} from '../model'
import { Card, Surface } from '../surface'
import { SignedOff } from './run-document-schema'

// The run document as this version writes it, whole: every field that can stand in it, and no other. What is read is
// asked for less (run-document-schema.ts), since documents of other versions are read too.

/** A URL; of a site that has no production URL a path. */
const UrlOrPath = z.string().describe('A URL, or a path where the site has no production URL.')

const Counts = z.record(Level, z.number().int())

const StatedFinding = z.object({
  rule: z.string().describe('Id of the check.'),
  level: Level,
  message: z.string(),
  fix: z.string(),
  line: z.number().int().nullable(),
  column: z.number().int().nullable(),
  image: UrlOrPath.optional(),
  form: z.literal(true).optional().describe('The way a tag is written is wrong, whatever it says.'),
  state: z.enum(['new', 'known']).optional().describe('Beside a baseline: does that have it too?'),
})
const WaivedFinding = StatedFinding.extend({ waiver: TakenOn })
const AcrossPages = { pages: z.array(UrlOrPath), about: z.string().describe('What it is about.') }

const Page = z.object({
  url: UrlOrPath,
  file: z.string().optional().describe('Of a folder or zip: the file, relative to it.'),
  section: z.string().describe('The pages that one template made, as a glob.'),
  fetch: FetchFact,
  facts: PageFacts.nullable().describe('null: the page could not be read.'),
  secondLooks: z.array(SecondLook).optional(),
  kept: KeptLinks.extend({ source: z.array(SourceLine) })
    .optional()
    .describe('What a later run takes over with the page.'),
  cards: z.record(z.string(), Card).describe('By the id of the place.'),
  findings: z.array(StatedFinding),
  skipped: z.array(Skipped).describe('Checks that could not be made. Never taken for passed.'),
  unseen: z.literal(true).optional().describe('Its cards depend on something that was not seen.'),
  waived: z.array(WaivedFinding).optional(),
})

const Image = GatheredImage.omit({ iconOnly: true }).extend({
  url: UrlOrPath,
  usedBy: z.array(UrlOrPath).describe('Pages that name it.'),
})

const SignatureState = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('unsigned') }),
  z.object({ kind: z.literal('broken') }),
  z.object({ kind: z.literal('stranger'), key: z.string() }),
  z.object({ kind: z.literal('signer'), name: z.string(), key: z.string() }),
])

/** A run document as this version writes it. */
export const WrittenRun = z.object({
  format: z.literal('nimble-parrot-run'),
  version: z.literal(1),
  program: z.string().describe('Version of the program that wrote it.'),
  source: RunSource.omit({ site: true }).extend({
    site: z.string().nullable().describe('Base of the production URLs; null where the site names none.'),
    path: z.string().optional().describe('The path that the site lives under, where it has no production URL.'),
  }),
  startedAt: z.string(),
  finishedAt: z.string(),
  complete: z.boolean(),
  incomplete: z.array(Incomplete).describe('Why it did not read all that it should have.'),
  scope: z.array(z.string()).describe('What the user narrowed the run to, in words.'),
  view: AccessMode,
  notes: z.array(RunNote.omit({ path: true })),
  robotsTxt: z.string().nullable(),
  survey: Survey.omit({ missing: true }).optional(),
  missing: z
    .array(
      z.object({
        url: UrlOrPath,
        status: z.number().int().nullable(),
        linkedFrom: z.array(UrlOrPath),
        linkers: Linkers,
      }),
    )
    .describe('URLs that links, tags or a sitemap name, and that are not there.'),
  pages: z.array(Page),
  images: z.array(Image),
  icons: z.array(GatheredImage.extend({ url: UrlOrPath })).describe('Images that only a link to an icon names.'),
  findings: z.array(StatedFinding.extend(AcrossPages)).describe('Findings across pages.'),
  waived: z.array(WaivedFinding.extend(AcrossPages)).optional(),
  causes: z.array(Cause).describe('The changes that a person would make, and what each clears.'),
  baseline: z.object({ of: z.string(), new: Counts, known: Counts, causes: z.array(Cause) }).optional(),
  summary: Summary,
  judgedBy: z.object({ file: z.string(), hash: z.string() }).optional().describe('The requirements file.'),
  signedOff: SignedOff.optional(),
  signOff: z
    .object({
      by: z.string(),
      at: z.string(),
      content: z.string(),
      differs: z.array(z.string()).describe('In what the run differs from what was signed.'),
      signature: SignatureState.optional(),
    })
    .optional(),
  ownSurfaces: z.array(Surface).optional().describe('Places of the site’s own, and ours with other figures.'),
  reusable: z
    .object({ pages: z.number().int(), images: z.number().int(), digest: z.string() })
    .optional()
    .describe('What a later run may take over, counted, and its digest.'),
})
export type WrittenRun = z.infer<typeof WrittenRun>

/** The JSON Schema that is published in docs/ and with the package. Fields that it doesn’t name are let through. */
export function runDocumentJsonSchema(): object {
  return { title: 'Nimble Parrot run document', ...z.toJSONSchema(WrittenRun, { io: 'input', reused: 'ref' }) }
}
