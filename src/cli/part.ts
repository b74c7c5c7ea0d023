import { stat } from 'node:fs/promises'
import { limits } from '@/core/address'
import { type BuildPart, gatherBuildPart, openZip, type Shard } from '@/core/crawl'
import { type Asked, type PartDocument, partProgram } from '@/core/document'
import type { SourceKind } from '@/core/model'
import { jsonLines, jsonPieces } from '@/core/report'
import { nodeEnvironment } from '@/io/crawl-environment'
import { createFetcher } from '@/io/fetch-address'
import { openFolder, readPart } from '@/io/folder'
import { noInnerHosts } from '@/io/guard'
import { CannotRun } from './cannot-run'
import { type CheckOptions, gathered, type RunOptions, siteOf } from './check'
import { contentsOf } from './contents'
import { fromHere } from './from-here'
import { loadRequirements } from './load-files'
import { progressLine } from './progress'
import { ensureWritable, writeOut, writeStandardOut } from './write-out'

const base64 = (bytes: Uint8Array) => Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('base64')

/** What a run was asked for, as its parts write it down. */
async function askedFor(source: string, options: RunOptions): Promise<Asked> {
  const { requirements } = await loadRequirements(options.rules, source)
  return {
    site: siteOf(options.site) ?? siteOf(requirements.site),
    include: options.include,
    exclude: options.exclude,
    perSection: options.perSection ?? null,
    maxPages: options.maxPages ?? null,
    ignoreRobots: options.ignoreRobots,
    pictures: options.pictures,
    pictureHosts: requirements.identity?.pictureHosts ?? [],
  }
}

/** Is the source files that are at hand? null: it is asked for over the network. */
async function buildKind(source: string): Promise<Extract<SourceKind, 'folder' | 'zip'> | null> {
  if (/^https?:\/\//i.test(source)) return null
  const found = await stat(fromHere(source)).catch(() => null)
  if (found?.isDirectory()) return 'folder'
  return found && /\.zip$/i.test(source) ? 'zip' : null
}

async function partOfBuild(
  source: string,
  kind: 'folder' | 'zip',
  asked: Asked,
  shard: Shard,
  { concurrency, timeout: timeoutMs }: RunOptions,
): Promise<BuildPart> {
  const path = fromHere(source)
  const files = kind === 'folder' ? await openFolder(path) : openZip((await readPart(path, limits.zipPackedBytes)).body)
  const stop = new AbortController()
  const interrupt = () => stop.abort()
  process.once('SIGINT', interrupt)
  process.once('SIGTERM', interrupt)
  const fetcher = createFetcher({ innerHosts: noInnerHosts, concurrency, timeoutMs, signal: stop.signal })
  const progress = progressLine(process.stderr)
  try {
    const environment = nodeEnvironment(fetcher.read, stop.signal, asked.pictures, { rows: 'commented' })
    const events = gatherBuildPart(files, { kind, location: source, concurrency, ...asked }, shard, environment)
    for (;;) {
      const { value, done } = await events.next()
      if (!done) {
        if (value.kind === 'progress') progress.show(value)
        continue
      }
      // A part that is not whole is none: it is read again.
      if (stop.signal.aborted) throw new CannotRun('It was interrupted: no part was written. Run it again.')
      return value
    }
  } catch (error) {
    if (error instanceof CannotRun) throw error
    throw new CannotRun(`${source} can’t be read. ${error instanceof Error ? error.message : String(error)}`)
  } finally {
    progress.clear()
    process.removeListener('SIGINT', interrupt)
    process.removeListener('SIGTERM', interrupt)
    await fetcher.close()
  }
}

async function readPartOf(source: string, options: RunOptions, shard: Shard): Promise<PartDocument> {
  const asked = await askedFor(source, options)
  const kind = await buildKind(source)
  const head = { format: 'nimble-parrot-run', version: 1 } as const
  const startedAt = new Date().toISOString()
  if (kind !== null) {
    const { pages, images, files, ...build } = await partOfBuild(source, kind, asked, shard, options)
    return {
      ...head,
      source: { kind, location: source, site: build.site },
      startedAt,
      finishedAt: new Date().toISOString(),
      complete: false,
      incomplete: [],
      scope: [],
      view: asked.ignoreRobots ? 'launched' : 'standing',
      notes: [],
      partial: {
        contents: contentsOf(pages, images),
        shard: shard.index,
        of: shard.of,
        asked,
        build: {
          ...build,
          files: files.map(({ path, part: { body, ...rest } }) => ({ path, body: base64(body), ...rest })),
        },
        robotsTxt: null,
        survey: null,
        program: partProgram,
      },
      pages,
      images,
    }
  }
  if (/^https?:\/\//i.test(source) && !/\.xml(?:\.gz)?$/i.test(new URL(source).pathname))
    throw new CannotRun(
      'A crawl finds its addresses as it goes, and has no parts. Write them first: nimble-parrot list … --out addresses.txt, and check that in parts.',
    )
  if (options.follow) throw new CannotRun('--follow has no meaning for a part: leave it out.')
  // The server sees one polite client, however many parts there are.
  const polite = {
    ...options,
    concurrency: Math.max(1, Math.round(options.concurrency / shard.of)),
    delay: options.delay * shard.of,
  }
  const { gathering, fault } = await gathered(source, { ...polite, part: shard }, { keepsLinks: 'all' })
  if (fault !== null || gathering.incomplete.some(({ why: is }) => is === 'stopped'))
    throw new CannotRun(`The part broke off, and was not written. ${fault ?? ''} Run it again.`)
  const { pages, images, survey, robotsTxt, ...rest } = gathering
  const told = pages.map(({ kept, ...page }) => ({ path: null, page, links: kept ?? null }))
  return {
    ...head,
    ...rest,
    complete: false,
    partial: {
      contents: contentsOf(told, images),
      ...{ shard: shard.index, of: shard.of, asked, build: null, robotsTxt },
      survey: survey ?? null,
      program: partProgram,
    },
    pages: told,
    images,
  }
}

/**
 * Reads one part of a source and writes it for merge; nothing is judged.
 * @returns 0 where the part was read
 * @throws CannotRun where it was not
 */
export async function checkPart(source: string, options: CheckOptions, shard: Shard): Promise<number> {
  const plain = options.format.find(({ file }) => file === null)?.format ?? null
  const all = [...options.format.map(({ format }) => format)]
  const other = all.find((format) => format !== 'json' && format !== 'jsonl')
  if (other !== undefined || (options.format.length === 0 && options.out === undefined))
    throw new CannotRun(
      `A part is written as json or jsonl, for merge${other === undefined ? '' : `, and not as ${other}`}: --format jsonl=part-${shard.index}.jsonl.gz`,
    )
  const files = [
    ...options.format.flatMap(({ format, file }) => (file === null ? [] : [{ format, file }])),
    ...(options.out === undefined ? [] : [{ format: plain ?? 'json', file: options.out }]),
  ]
  if (options.since !== undefined)
    throw new CannotRun('--since has no meaning for a part, which judges nothing: leave it out.')
  for (const { file } of files) await ensureWritable(fromHere(file))
  const part = await readPartOf(source, options, shard)
  const piecesOf = (format: string) => (format === 'jsonl' ? jsonLines({ ...part, summary: null }) : jsonPieces(part))
  for (const { format, file } of files) await writeOut(fromHere(file), piecesOf(format))
  if (plain !== null && options.out === undefined) for (const piece of piecesOf(plain)) await writeStandardOut(piece)
  return 0
}
