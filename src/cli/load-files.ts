import { createReadStream } from 'node:fs'
import { realpath, stat } from 'node:fs/promises'
import { basename, dirname, join, resolve, sep } from 'node:path'
import { createGunzip, gunzipSync } from 'node:zlib'
import { z } from 'zod'
import { limits } from '@/core/address'
import { readRequirements } from '@/core/check'
import { openZip } from '@/core/crawl'
import {
  asRunDocument,
  DocumentBuilder,
  DocumentReader,
  type EarlierRun,
  earlierOfArchive,
  earlierRunOf,
  entryCheck,
  newestRunOf,
  PartDocument,
  partIn,
  type ReadDocument,
  readPrivateKey,
  readRunDocument,
  readSigners,
  readSignOff,
  type SignatureState,
  type Signer,
  type SignOffFile,
  signatureState,
  signOffOfArchive,
  wholeDocument,
} from '@/core/document'
import { type LineOf, parseJson, schemaFaults, VERSION } from '@/core/model'
import { type Digest, faultOfSignOff, signOffOf } from '@/core/report'
import { noRequirements, type Requirements } from '@/core/requirements'
import { plural } from '@/core/text'
import { readPart } from '@/io/folder'
import { sha256Of } from '@/io/sha256'
import { verifySignature } from '@/io/sign-with-key'
import { CannotRun } from './cannot-run'
import { type Contents, contentsOf, reusableOf } from './contents'
import { fromHere } from './from-here'

/** File of a project archive that says what is in it. */
const PROJECT_LIST = 'nimble-parrot-project.json'

/** Name under which a requirements file is found by itself. */
const FOUND_NAME = 'nimble-parrot.json'

async function textOf(file: string, what: string, maxBytes: number): Promise<string> {
  const unread = (why: string) => new CannotRun(`The ${what} ${file} can’t be read: ${why}`)
  const { body, isCut, bytes } = await readPart(fromHere(file), maxBytes).catch((error: unknown) => {
    throw unread(error instanceof Error ? error.message : String(error))
  })
  if (isCut) throw unread(`it has ${Math.round(bytes / 1e6)} MB; ${Math.round(maxBytes / 1e6)} MB are the most.`)
  if (!/\.gz$/i.test(file)) return new TextDecoder().decode(body)
  try {
    // What unpacks to more than may be read is given up while it is unpacked.
    return new TextDecoder().decode(gunzipSync(body, { maxOutputLength: maxBytes }))
  } catch (error) {
    throw unread(`it can’t be unpacked: ${error instanceof Error ? error.message : String(error)}`)
  }
}

const isFile = async (path: string) =>
  stat(path).then(
    (found) => found.isFile(),
    () => false,
  )

/** Is a place within a folder, or the folder itself? Links are followed on both sides. */
async function isWithin(place: string, folder: string): Promise<boolean> {
  const [at, root] = await Promise.all([place, folder].map((path) => realpath(path).catch(() => path)))
  return at === root || at!.startsWith(root! + sep)
}

/** The folder above a place in which its repository begins; the folder itself where it is in none. */
async function repositoryOf(folder: string): Promise<string> {
  for (let at = resolve(folder); dirname(at) !== at; at = dirname(at))
    if (await stat(join(at, '.git')).catch(() => null)) return at
  return resolve(folder)
}

/**
 * The file in the working directory, or above it up to the root of the repository; null where there is none. Never one in
 * what is under check: a build does not say what it must have.
 */
async function findRules(source: string): Promise<string | null> {
  const isLocal = !/^https?:\/\//i.test(source)
  const folders = [resolve(fromHere('.'))]
  const root = await repositoryOf(folders[0]!)
  while (folders.at(-1) !== root) folders.push(dirname(folders.at(-1)!))
  for (const folder of folders) {
    const place = join(folder, FOUND_NAME)
    if ((await isFile(place)) && !(isLocal && (await isWithin(place, fromHere(source))))) return place
  }
  return null
}

/** The requirements that a run goes by, and the file that holds them. */
export type LoadedRequirements = {
  requirements: Requirements
  file: { name: string; folder: string; hash: string; lineOf: LineOf } | null
}

/** The requirements of --rules, else those found, else none. */
export async function loadRequirements(given: string | undefined, source: string): Promise<LoadedRequirements> {
  const file = given ?? (await findRules(source))
  if (file === null) return { requirements: noRequirements, file: null }
  const text = await textOf(file, 'requirements file', limits.settingsCharacters)
  const read = readRequirements(text)
  if (read.ok)
    return {
      requirements: read.requirements,
      file: {
        name: basename(file),
        folder: dirname(fromHere(file)),
        hash: sha256Of(text),
        lineOf: read.lineOf,
      },
    }
  const faults = read.faults.map(({ path, message, line }) => `${line ? `Line ${line}, ` : ''}${path}: ${message}`)
  throw new CannotRun(`${file} can’t be used. ${faults.join(' ')}`)
}

/** A source file is a text that people write: more of it than this is something else. */
const MAX_SOURCE_BYTES = 2_000_000

/** Does a file lie in the repository of a folder, links followed? Only there are files read that a settings file names. */
export const isInRepository = async (file: string, folder: string): Promise<boolean> =>
  isWithin(file, await repositoryOf(folder))

/**
 * Reads files that rules of a requirements file name, from its folder on; null where there is none. Only what lies in its
 * repository, links followed: a path of a page stands in the name of the file.
 */
export function sourcesFrom(folder: string): (file: string) => Promise<string | null> {
  return async (file) => {
    const place = resolve(folder, file)
    if (!(await isInRepository(place, folder))) return null
    return readPart(place, MAX_SOURCE_BYTES).then(
      ({ body }) => new TextDecoder().decode(body),
      () => null,
    )
  }
}

/** Bytes that a packed document may unpack to: a small one is not held to the ratio. */
async function mostUnpacked(file: string): Promise<number> {
  const { size } = await stat(file).catch(() => ({ size: 0 }))
  return Math.max(size * limits.documentRatio, limits.settingsCharacters)
}

/**
 * A document as it is, one object or lines, packed or not, taken apart as it is read: it may be longer than any text.
 * Nothing is held against its form here.
 */
async function readPieces(
  file: string,
  what: string,
): Promise<{ ok: true; value: Record<string, unknown> } | { ok: false; fault: string }> {
  const reader = new DocumentReader()
  const builder = new DocumentBuilder(entryCheck())
  const text = new TextDecoder()
  const source = createReadStream(fromHere(file))
  const isGzip = /\.gz$/i.test(file)
  const bytes = isGzip ? source.pipe(createGunzip()) : source
  const most = isGzip ? await mostUnpacked(fromHere(file)) : Number.POSITIVE_INFINITY
  let unpacked = 0
  try {
    // What breaks on the way is told by the stream that the bytes come from.
    source.on('error', (error) => bytes.destroy(error))
    for await (const part of bytes) {
      unpacked += (part as Uint8Array).length
      if (unpacked > most) throw new Error(`it unpacks to more than ${limits.documentRatio} times its size.`)
      builder.take(reader.add(text.decode(part as Uint8Array, { stream: true })))
      if (reader.fault !== null || builder.fault !== null) break
    }
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error)
    const isPacked = String((error as { code?: unknown }).code).startsWith('Z_')
    throw new CannotRun(`The ${what} ${file} can’t be read: ${isPacked ? 'it can’t be unpacked: ' : ''}${why}`)
  }
  if (reader.fault === null) builder.take(reader.end())
  const fault = builder.fault ?? reader.fault
  return fault === null ? { ok: true, value: builder.value() } : { ok: false, fault }
}

async function readRun(file: string, what: string): Promise<ReturnType<typeof asRunDocument>> {
  const read = await readPieces(file, what)
  return read.ok ? asRunDocument(read.value) : read
}

/** Is it named as a document in lines? Such a one may be longer than any text. */
const isInLines = (file: string) => /\.jsonl(?:\.gz)?$/i.test(file)

/** A run document, validated whole. @param what it is for, as `baseline` */
export async function loadRunDocument(file: string, what: string): Promise<ReadDocument> {
  const read = await readRun(file, what)
  if (!read.ok)
    throw new CannotRun(`The ${what} ${file} can’t be used. ${read.fault} Write one with check --format json=FILE.`)
  return read.document
}

/** @throws what `unfit` makes where a part does not hold what it says that it was written with */
function ensureOwnContents(said: Contents, value: Record<string, unknown>, unfit: (why: string) => Error): void {
  const [pages, images] = [value['pages'], value['images']].map((list) => (Array.isArray(list) ? list : []))
  const { digest, ...counts } = contentsOf(pages!, images!)
  if (counts.pages !== said.pages || counts.images !== said.images)
    throw unfit(
      `It was written with ${plural(said.pages, 'page')} and ${plural(said.images, 'image')}, and holds ${counts.pages} and ${counts.images}: read it again.`,
    )
  if (digest !== said.digest)
    throw unfit('It was changed after it was written: its digest does not match. Read it again.')
}

/** One part of a run, as check --shard wrote it. */
export async function loadPart(file: string): Promise<PartDocument> {
  const unfit = (why: string) => new CannotRun(`The part ${file} can’t be used. ${why}`)
  const read = await readPieces(file, 'part')
  if (!read.ok) throw unfit(read.fault)
  const value = wholeDocument(read.value)
  if (partIn(value) === null) throw unfit('It is no part of a run: check --shard I/N writes one.')
  const parsed = PartDocument.safeParse(value)
  if (parsed.success) {
    ensureOwnContents(parsed.data.partial.contents, read.value, unfit)
    return parsed.data
  }
  const [fault] = schemaFaults(PartDocument, value)
  throw unfit(`${fault!.path}: ${fault!.message}`)
}

/** The run that findings are held against. */
export const loadBaseline = (file: string): Promise<ReadDocument> => loadRunDocument(file, 'baseline')

/** What lies in a project archive, by its name there; the list of what it holds is there in any case. */
async function openArchive(archive: string): Promise<(file: string) => Promise<string>> {
  const unread = (why: string) => new CannotRun(`The archive ${archive} can’t be read: ${why}`)
  try {
    const files = openZip((await readPart(fromHere(archive), limits.zipPackedBytes)).body)
    if (!files.paths.includes(PROJECT_LIST)) throw unread(`it is no project archive: it has no ${PROJECT_LIST}.`)
    return async (file) => {
      if (!files.paths.includes(file)) throw unread(`${file}, which its list names, is not in it.`)
      return new TextDecoder().decode((await files.read(file, limits.documentCharacters)).body)
    }
  } catch (error) {
    throw error instanceof CannotRun ? error : unread(error instanceof Error ? error.message : String(error))
  }
}

/** What a run document holds that a later run may take over. @throws CannotRun where it is not as it was written */
async function earlierOfDocument(file: string): Promise<EarlierRun> {
  const unfit = (why: string) => new CannotRun(`The earlier run ${file} can’t be used. ${why}`)
  const pieces = await readPieces(file, 'earlier run')
  const read = pieces.ok ? asRunDocument(pieces.value) : pieces
  if (!read.ok || !pieces.ok) throw unfit(`${read.ok ? '' : read.fault} Write one with check --format json=FILE.`)
  const earlier = earlierRunOf(read.document)
  if (earlier.program !== VERSION) return earlier
  const said = z.object({ reusable: z.object({ digest: z.string() }) }).safeParse(pieces.value)
  if (!said.success) throw unfit('It has no digest of what it read. Run once without --since.')
  if (reusableOf(pieces.value).digest !== said.data.reusable.digest)
    throw unfit('It was changed after it was written: its digest does not match. Run once without --since.')
  return earlier
}

/** The earlier run that a run takes over from. @throws CannotRun where it can't be read */
export async function loadEarlier(file: string): Promise<EarlierRun> {
  if (!/\.zip$/i.test(file)) return earlierOfDocument(file)
  const unfit = (why: string) => new CannotRun(`The archive ${file} can’t be used. ${why}`)
  const textAt = await openArchive(file)
  const jsonOf = (name: string, text: string): unknown => {
    const read = parseJson(text, limits.documentCharacters)
    if (!read.ok) throw unfit(`${name}: ${read.faults[0]!.message}`)
    return read.value
  }
  const newest = newestRunOf(jsonOf(PROJECT_LIST, await textAt(PROJECT_LIST)))
  if (!newest) throw unfit('It holds no run.')
  const text = await textAt(newest.file)
  if (newest.program === VERSION && newest.digest !== sha256Of(text))
    throw unfit(
      newest.digest === undefined
        ? `It has no digest of ${newest.file}. Save it again in the app.`
        : `${newest.file} was changed after it was saved: its digest does not match. Save it again in the app.`,
    )
  const earlier = earlierOfArchive(jsonOf(newest.file, text))
  if (!earlier) throw unfit(`${newest.file} is no run of ours.`)
  return { site: newest.site, program: newest.program, earlier }
}

/** A sign-off in a file of its own, else a run document; the fault is that of the sign-off. */
function signOffIn(text: string) {
  const own = readSignOff(text)
  return own.ok ? { run: own, fault: null } : { run: readRunDocument(text), fault: own.fault }
}

/**
 * Holds a sign-off against itself, and its signature against who counts.
 *
 * @param signersFile whose signatures count; undefined: nobody was named
 * @throws CannotRun where it is not what anybody signed, or nobody that counts signed it
 */
export async function ensureSigned(
  file: string,
  signOff: SignOffFile,
  signersFile: string | undefined,
  digest: Digest,
) {
  const unfit = (why: string) => new CannotRun(`The sign-off ${file} can’t be used. ${why}`)
  const fault = await faultOfSignOff(signOff, digest)
  if (fault !== null) throw unfit(fault)
  const signers = signersFile === undefined ? null : await loadSigners(signersFile)
  const state = await signatureState(signOff, signers, verifySignature)
  if (state.kind === 'broken') throw unfit('Its signature does not match. Sign again.')
  if (signers !== null && state.kind === 'unsigned')
    throw unfit(`It was signed without a key, so the name ${signOff.by} is not verified: sign again with --key.`)
  if (signers !== null && state.kind === 'stranger')
    throw unfit(`It is not signed by ${signOff.by} with a key that ${signersFile} has for that name.`)
  return state
}

/** The bytes of a private key of Ed25519. @throws CannotRun where the file holds none */
export async function loadPrivateKey(file: string): Promise<Uint8Array> {
  const read = readPrivateKey(await textOf(file, 'key', 100_000))
  if (!read.ok) throw new CannotRun(`The key ${file} can’t be used. ${read.fault}`)
  return read.seed
}

/** Who counts. @throws CannotRun where the file can't be used */
async function loadSigners(file: string): Promise<Signer[]> {
  const read = readSigners(await textOf(file, 'signers file', limits.settingsCharacters))
  if (!read.ok) throw new CannotRun(`The signers file ${file} can’t be used. ${read.fault}`)
  return read.signers
}

/** A run document tells what its cards show and what was waived, not what was required. */
type LoadedSignOff = { signOff: SignOffFile; saysRequirements: boolean; signature: SignatureState }

/**
 * What was signed: a sign-off in a file of its own, or a run document that somebody signed, whose cards are the content.
 * @throws CannotRun where it is neither, or not of somebody's yes
 */
export async function loadSignOff(file: string, signers: string | undefined, digest: Digest): Promise<LoadedSignOff> {
  const read = await readSignOffOf(file, digest)
  return { ...read, signature: await ensureSigned(file, read.signOff, signers, digest) }
}

async function readSignOffOf(file: string, digest: Digest): Promise<Omit<LoadedSignOff, 'signature'>> {
  if (/\.zip$/i.test(file)) {
    const read = signOffOfArchive(await (await openArchive(file))(PROJECT_LIST))
    if (read.ok) return { signOff: read.signOff, saysRequirements: true }
    throw new CannotRun(`The sign-off ${file} can’t be used. ${read.fault}`)
  }
  const { run, fault } = isInLines(file)
    ? { run: await readRun(file, 'sign-off'), fault: null }
    : await signOffIn(await textOf(file, 'sign-off', limits.documentCharacters))
  if ('signOff' in run) return { signOff: run.signOff, saysRequirements: true }
  if (!run.ok)
    throw new CannotRun(
      `The sign-off ${file} can’t be used. ${fault ?? run.fault} Save one in the app, under Clearance.`,
    )
  const { signedOff, pages } = run.document
  if (!signedOff) throw new CannotRun(`The sign-off ${file} can’t be used: it is a run that was not signed.`)
  const surfaces = Object.keys(pages[0]?.cards ?? {})
  const { by, at, errors = 0 } = signedOff
  const signing = { by, at, surfaces, errors, notLookedAt: [] }
  return { signOff: await signOffOf(run.document, noRequirements, signing, digest), saysRequirements: false }
}
