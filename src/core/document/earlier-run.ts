import { z } from 'zod'
import { createAddressMap, siteInWords } from '../address'
import type { Earlier, KnownPage } from '../crawl'
import { FetchFact, GatheredImage, KeptLinks, PageFacts, SourceLine, VERSION } from '../model'
import type { ReadDocument } from './run-document-schema'

/** A page as a document holds it that can be taken over. */
const ReadKnown = z.object({
  url: z.string(),
  fetch: FetchFact,
  facts: PageFacts,
  kept: KeptLinks.extend({ source: z.array(SourceLine) }),
})

const ReadPicture = GatheredImage.omit({ iconOnly: true })

/** What may be taken over of an earlier run, and of what it was. */
export type EarlierRun = { site: string; program: string | undefined; earlier: Earlier }

/** Why nothing of an earlier run may be taken over by a run of a site; null where it may. */
export function unfitAsEarlier({ site, program }: EarlierRun, own: string): string | null {
  if (site !== own)
    return `It is a run of ${siteInWords(site)}, and this is one of ${siteInWords(own)}: nothing of it can be taken over.`
  if (program === VERSION) return null
  const by = program === undefined ? 'an older version' : `version ${program}`
  return `It was written by ${by} of this program, which may have read otherwise: run it once without --since.`
}

const Program = z.looseObject({ program: z.string().optional() })

/** A run document as what a later run may take from. */
export const earlierRunOf = (document: ReadDocument): EarlierRun => ({
  site: document.source.site,
  program: Program.parse(document).program,
  earlier: earlierOf(document, document.source),
})

/**
 * What a document holds that a later run may take over: pages whose server tells of changes, and pictures. Each is held
 * against its form when it is asked for; one that is broken is read again.
 */
function earlierOf(document: Pick<ReadDocument, 'pages' | 'images'>, source: ReadDocument['source'] | null): Earlier {
  const pages = new Map<string, unknown>(document.pages.map((page) => [page.url, page]))
  const images = new Map<string, unknown>(document.images.map((image) => [image.url, image]))
  const byHash = new Map<string, unknown>(
    document.images.flatMap((image) => (image.hash === null ? [] : [[image.hash, image] as const])),
  )
  const pictureOf = (found: unknown): GatheredImage | null => {
    const read = ReadPicture.safeParse(found)
    return read.success ? { ...read.data, iconOnly: false } : null
  }
  const page = (url: string): KnownPage | null => {
    const read = ReadKnown.safeParse(pages.get(url))
    if (!read.success) return null
    const { source: rows, ...kept } = read.data.kept
    const { fetch, facts } = read.data
    return { url, file: null, fetch, facts, source: rows, kept }
  }
  const toPublic = source && createAddressMap(source.site, null, source.servedAt ?? source.site).toPublic
  return {
    page,
    ...(toPublic ? { pageAt: (served: string) => page(toPublic(served)) } : {}),
    picture: (url) => pictureOf(images.get(url)),
    pictureWith: (hash) => pictureOf(byHash.get(hash)),
  }
}

/** What a project archive says of its runs, as far as pictures are taken from them. */
const ArchiveList = z.looseObject({
  program: z.string().optional(),
  digests: z.record(z.string(), z.string()).optional(),
  runs: z.array(
    z.looseObject({
      id: z.string().regex(/^[\w-]{1,40}$/),
      startedAt: z.string(),
      source: z.looseObject({ site: z.string() }),
    }),
  ),
})
const ArchiveRun = z.looseObject({ images: z.array(GatheredImage) })

/** A run of an archive: its file there with the digest of it, its site, and the version of the program that saved it. */
type ArchivedRun = { file: string; digest: string | undefined; site: string; program: string | undefined }

/** The newest run of an archive; null: it has none. */
export function newestRunOf(list: unknown): ArchivedRun | null {
  const read = ArchiveList.safeParse(list)
  if (!read.success) return null
  const [newest] = [...read.data.runs].sort((a, b) => (a.startedAt > b.startedAt ? -1 : 1))
  if (!newest) return null
  const { program, digests = {} } = read.data
  const file = `runs/${newest.id}.json`
  return { file, digest: Object.hasOwn(digests, file) ? digests[file] : undefined, site: newest.source.site, program }
}

/** What a run in an archive holds that a later run may take over: its pictures. */
export function earlierOfArchive(run: unknown): Earlier | null {
  const read = ArchiveRun.safeParse(run)
  return read.success ? earlierOf({ pages: [], images: read.data.images }, null) : null
}
