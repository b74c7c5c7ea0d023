import { z } from 'zod'
import { surveyWith } from '../crawl'
import {
  AccessMode,
  GatheredImage,
  GatheredPage,
  type Gathering,
  Incomplete,
  KeptLinks,
  MissingUrl,
  RunNote,
  RunSource,
  SourceLine,
  Survey,
  schemaFaults,
} from '../model'
import type { DocumentPiece } from './document-reader'
import { partIn } from './part-document'
import { namedSource, withWholeUrls } from './whole-urls'

/** What was gathered of a page, as a document states it. Its cards and findings are made again. */
const StatedPage = GatheredPage.pick({ url: true, fetch: true, facts: true, secondLooks: true }).extend({
  file: z.string().optional(),
  kept: KeptLinks.extend({ source: z.array(SourceLine) }).optional(),
})

const StatedImage = GatheredImage.extend({ iconOnly: z.boolean().default(false) })

const Head = z.object({
  format: z.literal('nimble-parrot-run'),
  version: z.literal(1),
  source: RunSource,
  startedAt: z.string(),
  finishedAt: z.string(),
  incomplete: z.array(Incomplete),
  scope: z.array(z.string()),
  view: AccessMode,
  notes: z.array(RunNote),
  robotsTxt: z.string().nullable(),
  survey: Survey.optional(),
  missing: z.array(MissingUrl).default([]),
})

const Sum = z.object({
  error: z.number().int(),
  warning: z.number().int(),
  note: z.number().int(),
  verdict: z.enum(['clear', 'not-clear', 'not-known']),
})

/** A document that can’t be taken for a run, in a sentence that says why. */
export class UnfitDocument extends Error {}

/** Notes that come of judging, not of gathering: they are made again. */
const OF_JUDGING: ReadonlySet<string> = new Set(['waiver-ended', 'requirements'])

type Fields = { format?: unknown; version?: unknown; program?: unknown; summary?: unknown; [field: string]: unknown }

/** Everything but pages and pictures, and what the document says was found. */
export type StatedRun = { gathered: Omit<Gathering, 'pages' | 'images'>; found: z.infer<typeof Sum> }

/**
 * Takes from a run document what was gathered, so that it can be judged again: the same verdict comes of the same
 * requirements. Pages and pictures are handed on as they come; nothing is kept of them here.
 *
 * @example const stated = new StatedRunReader(takePage, takeImage); stated.take(pieces); stated.end()
 */
export class StatedRunReader {
  private readonly fields: Fields = {}
  private count = 0
  private unnamed: string | null = null

  constructor(
    private readonly onPage: (page: GatheredPage) => void,
    private readonly onImage: (image: GatheredImage) => void,
  ) {}

  /** @throws UnfitDocument where a page or a picture has another form than this program writes */
  take(pieces: readonly DocumentPiece[]): void {
    for (const given of pieces) {
      const piece = this.whole(given)
      if ('field' in piece) this.fields[piece.field] = piece.value
      else if (piece.list === 'pages') this.onPage(this.pageOf(piece.value))
      else if (piece.list === 'images' || piece.list === 'icons')
        this.onImage(this.as(StatedImage, piece.value, piece.list))
    }
  }

  /** What was gathered beside pages and pictures. @throws UnfitDocument where it is no whole run of ours */
  end(): StatedRun {
    const { fields } = this
    if (fields.format !== 'nimble-parrot-run') throw new UnfitDocument('It is no run document.')
    const part = partIn(fields)
    if (part)
      throw new UnfitDocument(
        `It is part ${part.shard} of ${part.of} of a run: put the parts together with nimble-parrot merge.`,
      )
    if (fields.version === 1 && !('robotsTxt' in fields))
      throw new UnfitDocument(
        'It was written before documents said what robots.txt and sitemaps say, so that it can’t be judged again. Write it again with this version of the command.',
      )
    const { format: _format, version: _version, missing, ...read } = this.as(Head, fields, 'the document')
    const head = { ...read, survey: surveyWith(read.survey, missing) }
    const notes = head.notes.filter(({ kind }) => !OF_JUDGING.has(kind))
    return { gathered: { ...head, notes }, found: this.as(Sum, fields.summary, 'summary') }
  }

  /** Of a site that has no production URL, URLs are paths: they are made whole by the source, which stands before them. */
  private whole(piece: DocumentPiece): DocumentPiece {
    if ('field' in piece && piece.field === 'source') {
      const location = (piece.value as { location?: unknown } | null)?.location
      const source = namedSource(piece.value, typeof location === 'string' ? location : null)
      this.unnamed = source?.site ?? null
      return source === null ? piece : { field: 'source', value: source }
    }
    if (this.unnamed === null) return piece
    return { ...piece, value: withWholeUrls(piece.value, this.unnamed) }
  }

  private pageOf(value: unknown): GatheredPage {
    this.count++
    const { file = null, kept: given, ...page } = this.as(StatedPage, value, `page ${this.count}`)
    if (!given) return { ...page, file, source: [] }
    const { source, ...kept } = given
    return { ...page, file, source, kept }
  }

  private as<T>(schema: z.ZodType<T>, value: unknown, where: string): T {
    const read = schema.safeParse(value)
    if (read.success) return read.data
    const [fault] = schemaFaults(schema, value)
    const by = typeof this.fields.program === 'string' ? ` It was written by version ${this.fields.program}.` : ''
    throw new UnfitDocument(`It is a run document that is broken: ${where}: ${fault!.path}: ${fault!.message}${by}`)
  }
}
