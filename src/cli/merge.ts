import { createAddressMap, isNamedSite } from '@/core/address'
import {
  GatheringBuilder,
  gatherBuild,
  NothingAnswered,
  pagesOfShard,
  replayOf,
  seenFromHere,
  surveyWith,
  withLinkersOfAll,
  withoutMissing,
} from '@/core/crawl'
import { type PartDocument, partProgram } from '@/core/document'
import type { Gathering, Survey } from '@/core/model'
import { plural } from '@/core/text'
import { nodeEnvironment } from '@/io/crawl-environment'
import { sha256Of } from '@/io/sha256'
import { CannotRun } from './cannot-run'
import { type CheckOptions, ensureWritables, judged, reported } from './check'
import { loadPart } from './load-files'

type Part = { file: string; document: PartDocument }

const named = ({ file, document: { partial } }: Part) => `${file} (part ${partial.shard} of ${partial.of})`

/** @throws CannotRun that names the part that is missing, there twice, or of another run */
function ensureParts(parts: readonly Part[]): void {
  const [first] = parts as [Part]
  const of = first.document.partial.of
  const seen = new Map<number, Part>()
  const asIs = ({ document: { source, partial } }: Part) =>
    JSON.stringify([source.kind, partial.asked, partial.build?.listing ?? null])
  for (const part of parts) {
    const { partial, source } = part.document
    const foreign = (why: string) => new CannotRun(`${named(part)} is not of the same run as ${named(first)}: ${why}`)
    if (partial.program !== partProgram)
      throw foreign(`it was read by version ${partial.program} of this program, which is ${partProgram} here.`)
    if (partial.of !== of) throw foreign(`that run has ${of} parts.`)
    if (source.kind !== first.document.source.kind) throw foreign(`it is of a ${source.kind}.`)
    if (JSON.stringify(partial.asked) !== JSON.stringify(first.document.partial.asked))
      throw foreign('it was read with other options or requirements.')
    if (asIs(part) !== asIs(first)) throw foreign('the files of the build were others then. Read all parts again.')
    const twice = seen.get(partial.shard)
    if (twice) throw new CannotRun(`Part ${partial.shard} of ${of} is there twice: ${twice.file} and ${part.file}.`)
    seen.set(partial.shard, part)
  }
  const missing = Array.from({ length: of }, (_, index) => index + 1).filter((shard) => !seen.has(shard))
  if (missing.length > 0) {
    const shown = missing.slice(0, 5).join(', ')
    throw new CannotRun(
      `${missing.length === 1 ? 'Part' : 'Parts'} ${shown}${missing.length > 5 ? ' …' : ''} of ${of} ${missing.length === 1 ? 'is' : 'are'} missing: read ${missing.length === 1 ? 'it' : 'them'} with check --shard ${missing[0]}/${of}.`,
    )
  }
}

/** @throws CannotRun where a part of a build lacks pages that the list of all paths gives to it, or has some that are not there */
function ensureOwnPages(parts: readonly Part[]): void {
  const paths = parts.find(({ document }) => document.partial.build?.paths)?.document.partial.build?.paths
  if (!paths) throw new CannotRun('No part holds the list of the build’s files: read part 1 again.')
  const listing = sha256Of(paths.join('\n'))
  const files = new Set(paths)
  for (const part of parts) {
    const { partial, pages } = part.document
    const { shard: index, of, asked, build } = partial
    if (build?.listing !== listing)
      throw new CannotRun(`${named(part)} is of another list of files than part 1 holds. Read all parts again.`)
    const own = new Set(pages.map(({ path }) => path))
    const foreign = pages.find(({ path }) => path === null || !files.has(path))
    if (foreign)
      throw new CannotRun(
        `${named(part)} holds ${foreign.path ?? foreign.page.url}, which is not in the build. Read it again.`,
      )
    const lacking = pagesOfShard(paths, asked, { index, of }).filter((path) => !own.has(path))
    if (lacking.length > 0)
      throw new CannotRun(
        `${named(part)} lacks ${plural(lacking.length, 'page')} that it should hold (${lacking[0]}). Read it again.`,
      )
  }
}

const earliest = (times: readonly string[]) => [...times].sort()[0]!
const latest = (times: readonly string[]) => [...times].sort().at(-1)!

/** The parts of a folder or a zip, gathered as the whole build is. */
async function gatherParts(parts: readonly Part[]): Promise<Gathering> {
  const documents = parts.map(({ document }) => document)
  const { source, partial } = documents.find((one) => one.partial.build?.paths)!
  const { files, replay } = replayOf(
    documents.map(({ partial: { build }, pages, images }) => ({
      ...build!,
      files: build!.files.map(({ path, body, ...rest }) => ({
        path,
        part: { body: new Uint8Array(Buffer.from(body, 'base64')), ...rest },
      })),
      pages: pages.map(({ path, page, links }) => ({ path: path!, page, links })),
      images,
    })),
  )
  const stop = new AbortController()
  const unread = async () => ({ kind: 'failed', code: 'refused', message: 'No part holds it.', ms: 0 }) as const
  const builder = new GatheringBuilder()
  const kind = source.kind === 'zip' ? 'zip' : 'folder'
  const options = { kind, location: source.location, concurrency: 1, ...partial.asked } as const
  try {
    const environment = nodeEnvironment(unread, stop.signal, partial.asked.pictures)
    for await (const event of gatherBuild(files, options, environment, null, replay)) builder.add(event)
  } catch (error) {
    throw error instanceof NothingAnswered ? new CannotRun(error.message) : error
  }
  const gathering = builder.gathering()!
  for (const part of parts) {
    const { site } = part.document.partial.build!
    if (site !== gathering.source.site)
      throw new CannotRun(
        `${named(part)} took ${site} for the production address, from its own pages; all together name ${gathering.source.site}. Read the parts again with --site.`,
      )
  }
  return gathering
}

/** Surveys of parts as that of all: what each found, once. */
function surveyOf(surveys: readonly (Survey | null)[]): Survey | undefined {
  const all = surveys.flatMap((one) => one ?? [])
  const [first] = all
  if (!first) return undefined
  const once = (lists: readonly string[][]) => [...new Set(lists.flat())]
  return { ...first, onStaging: once(all.map((one) => one.onStaging)), dead: once(all.map((one) => one.dead)) }
}

/** Where a part's pages live, or are served where nothing names that. */
const placeOf = ({ document: { source } }: Part) =>
  isNamedSite(source.site) ? source.site : (source.servedAt ?? source.site)

/** @throws CannotRun where parts of a list take different addresses for the production one, each by its own first page */
function ensureOneSite(parts: readonly Part[]): void {
  const [first] = parts
  const place = placeOf(first!)
  const other = parts.find((part) => placeOf(part) !== place)
  if (other)
    throw new CannotRun(
      `${named(other)} took ${placeOf(other)} for the production address, ${named(first!)} ${place}. Read the parts again with --site.`,
    )
}

/** The parts of a list or a sitemap: pages by turns, as they stood in it. */
function joinParts(parts: readonly Part[]): Gathering {
  ensureOneSite(parts)
  const documents = parts.map(({ document }) => document)
  const longest = Math.max(...documents.map(({ pages }) => pages.length))
  const rows = Array.from({ length: longest }, (_, row) => documents.flatMap(({ pages }) => pages[row] ?? []))
  const { source, view, partial, scope } = documents[0]!
  const { pages: told, note } = withLinkersOfAll(rows.flat(), source)
  const { pages, missing } = withoutMissing(told, source.kind)
  const read = [...new Map(documents.flatMap((one) => one.images).map((image) => [image.url, image])).values()]
  const seen = seenFromHere(read, createAddressMap(source.site, null))
  const once = <T>(list: readonly T[]) => [...new Map(list.map((one) => [JSON.stringify(one), one])).values()]
  return {
    source,
    view,
    startedAt: earliest(documents.map((one) => one.startedAt)),
    finishedAt: latest(documents.map((one) => one.finishedAt)),
    notes: once([
      ...documents.flatMap(({ notes }) => notes),
      ...(note ? [note] : []),
      ...(seen.note ? [seen.note] : []),
    ]),
    incomplete: once(documents.flatMap(({ incomplete }) => incomplete)),
    scope,
    robotsTxt: partial.robotsTxt,
    survey: surveyWith(surveyOf(documents.map((one) => one.partial.survey)), missing),
    pages,
    images: seen.images,
  }
}

/**
 * Puts the parts of one run together and judges the whole: it is as the run in one piece would have been.
 *
 * @returns the exit code of check
 * @throws CannotRun where a part is missing, there twice, or of another run
 */
export async function merge(files: readonly string[], options: CheckOptions): Promise<number> {
  await ensureWritables(options)
  const parts: Part[] = []
  for (const file of files) parts.push({ file, document: await loadPart(file) })
  ensureParts(parts)
  parts.sort((a, b) => a.document.partial.shard - b.document.partial.shard)
  const documents = parts.map(({ document }) => document)
  const isBuild = documents[0]!.partial.build !== null
  if (isBuild) ensureOwnPages(parts)
  const gathering = isBuild ? await gatherParts(parts) : joinParts(parts)
  const startedAt = earliest(documents.map((one) => one.startedAt))
  const finishedAt = latest(documents.map((one) => one.finishedAt))
  const { source } = documents[0]!
  const run = await judged(source.location, { ...gathering, startedAt, finishedAt }, options)
  return reported(run, null, { ...options, isOfDocument: true })
}
