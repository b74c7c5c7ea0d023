import { z } from 'zod'
import { Cause } from '../cause'
import {
  AccessMode,
  type FileFault,
  Incomplete,
  Level,
  MetaFact,
  Position,
  RunSource,
  Skipped,
  schemaFaults,
  TakenOn,
  Unseen,
} from '../model'
import { Layout, Surface } from '../surface'
import { DocumentBuilder, DocumentReader, entryCheck } from './document-reader'
import { partIn } from './part-document'
import { namedSource, withWholeUrls } from './whole-urls'

// What is asked of a run document that somebody hands in: all that the contract names (docs/run-document.md). What came
// later, and what only this program adds, may be missing; fields that are not known are let through and ignored.

const Line = z.number().int().nullable()

const Part = z.looseObject({
  shown: z.string(),
  cut: z.boolean(),
  text: z.string().nullable(),
  from: z.string().nullable(),
  line: Line.optional(),
  /** Where the place breaks it. */
  lines: z.array(z.string()).optional(),
})

const ReadCard = z.looseObject({
  layout: Layout,
  bareBecause: z.string().nullish(),
  title: Part,
  description: Part,
  image: z.looseObject({
    url: z.string().nullable(),
    from: z.string().nullable(),
    line: Line.optional(),
    crop: z.object({ x: z.number(), y: z.number(), width: z.number(), height: z.number() }).nullish(),
    unseen: z.literal(true).optional(),
  }),
  siteLine: z.string().nullable(),
  byline: z.string().nullable(),
  labels: z.array(z.object({ label: z.string(), data: z.string() })),
  ladders: z
    .looseObject({ siteLine: z.array(z.looseObject({ from: z.string(), outcome: z.string() })).optional() })
    .optional(),
})

const ReadFinding = z.looseObject({
  rule: z.string(),
  level: Level,
  message: z.string(),
  fix: z.string(),
  line: Line.optional(),
  column: Line.optional(),
  image: z.string().optional(),
})

const ReadFacts = z.looseObject({
  title: z.string().nullable(),
  description: z.string().nullable(),
  language: z.string().nullable(),
  canonical: z.string().nullable(),
  h1: z.string().nullable(),
  firstParagraph: z.string().nullable(),
  metas: z.array(MetaFact.omit({ endByte: true }).loose()),
  links: z.array(Position.extend({ rel: z.string(), href: z.string() }).loose()),
})

const ReadPage = z.looseObject({
  url: z.url({ protocol: /^https?$/ }),
  file: z.string().optional(),
  section: z.string().optional(),
  fetch: z.looseObject({
    status: z.number().int().nullable(),
    redirects: z.array(z.looseObject({ status: z.number().int(), url: z.string() })),
    aliases: z.array(z.string()),
    robotsHeader: z.string().nullish(),
  }),
  facts: ReadFacts.nullable(),
  cards: z.record(z.string(), ReadCard),
  findings: z.array(ReadFinding),
  skipped: z.array(Skipped).optional(),
  waived: z.array(ReadFinding.extend({ waiver: TakenOn })).optional(),
})

/** Somebody's yes to a run. */
export const SignedOff = z.object({
  by: z.string(),
  at: z.string(),
  /** `sha256:` and hex of the document that was signed, without this field. */
  run: z.string(),
  waived: z.number().int(),
  /** Errors that were left when it was signed. */
  errors: z.number().int().optional(),
})
export type SignedOff = z.infer<typeof SignedOff>

const SiteFinding = ReadFinding.extend({ pages: z.array(z.string()), about: z.string().optional() })

export const ReadDocument = z.looseObject({
  format: z.literal('nimble-parrot-run'),
  version: z.literal(1),
  source: RunSource,
  startedAt: z.string(),
  finishedAt: z.string(),
  complete: z.boolean().optional(),
  incomplete: z.array(Incomplete).optional(),
  scope: z.array(z.string()).optional(),
  view: AccessMode,
  notes: z.array(z.looseObject({ kind: z.string(), message: z.string() })),
  pages: z.array(ReadPage),
  missing: z.array(z.looseObject({ url: z.string() })).optional(),
  images: z.array(z.looseObject({ url: z.string(), hash: z.string().nullable() })),
  findings: z.array(SiteFinding),
  waived: z.array(SiteFinding.extend({ waiver: TakenOn })).optional(),
  causes: z.array(Cause.partial().loose()),
  summary: z.looseObject({
    pages: z.number().int(),
    error: z.number().int(),
    warning: z.number().int(),
    note: z.number().int(),
    clear: z.boolean(),
    unseen: z.array(Unseen).optional(),
    unseenCount: z.number().int().optional(),
  }),
  signedOff: SignedOff.optional(),
  /** Places that are not ours, and ours with other figures. */
  ownSurfaces: z.array(Surface).optional(),
})
export type ReadDocument = z.infer<typeof ReadDocument>

const Head = z.looseObject({ format: z.unknown(), version: z.unknown() })

/** What an object of ours that is no run document is; for the sentence that says so. */
const OTHERS: Record<string, string> = {
  'nimble-parrot-drift': 'the document of a comparison',
  'nimble-parrot-requirements': 'a requirements file',
  'nimble-parrot-project': 'a project archive’s list',
  'nimble-parrot-pictures': 'a file of picture templates',
}

const placed = ({ path, message }: FileFault) => `${path}: ${message}`

/**
 * Runs of before `complete` was written say in their notes that they were broken off. A document that says it is not
 * complete is taken at its word, whether or not it says why.
 */
function withLack(document: ReadDocument): ReadDocument {
  const { complete, incomplete } = document
  if (complete === false && !incomplete?.length)
    return { ...document, incomplete: [{ why: 'lost', message: 'It says so itself, and not why.' }] }
  if (incomplete !== undefined) return document
  const message = document.notes.find(({ kind }) => kind === 'stopped')?.message
  return { ...document, incomplete: message === undefined ? [] : [{ why: 'stopped', message }] }
}

/** Reads a run document, all of it. A fault is one sentence: what it is instead, or where it differs from the contract. */
export function readRunDocument(text: string): RunReading {
  const reader = new DocumentReader()
  const builder = new DocumentBuilder(entryCheck())
  builder.take(reader.add(text))
  builder.take(reader.end())
  const fault = builder.fault ?? reader.fault
  return fault === null ? asRunDocument(builder.value()) : { ok: false, fault }
}

type RunReading = { ok: true; document: ReadDocument } | { ok: false; fault: string }

/** A document of a site that has no production URL, with whole URLs; any other as it is. */
export function wholeDocument(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('source' in value)) return value
  const source = namedSource(value.source, null)
  return source === null ? value : withWholeUrls({ ...value, source }, source.site)
}

/** What was parsed of a file, held against the form of a run document. */
export function asRunDocument(given: unknown): RunReading {
  const value = wholeDocument(given)
  const head = Head.safeParse(value)
  const format = head.success ? head.data.format : undefined
  if (!head.success || format !== 'nimble-parrot-run') {
    const what = typeof format === 'string' && Object.hasOwn(OTHERS, format) ? OTHERS[format] : null
    return { ok: false, fault: what ? `It is ${what}, and no run document.` : 'It is no run document.' }
  }
  if (head.data.version !== 1)
    return {
      ok: false,
      fault: `It is a run document of version ${JSON.stringify(head.data.version)}; this program reads version 1.`,
    }
  const part = partIn(value)
  if (part)
    return {
      ok: false,
      fault: `It is part ${part.shard} of ${part.of} of a run: put the parts together with nimble-parrot merge.`,
    }
  const result = ReadDocument.safeParse(value)
  if (result.success) return { ok: true, document: withLack(result.data) }
  const faults = schemaFaults(ReadDocument, value)
  const more = faults.length > 1 ? ` (and ${faults.length - 1} more)` : ''
  return { ok: false, fault: `It is a run document that is broken: ${placed(faults[0]!)}${more}` }
}
