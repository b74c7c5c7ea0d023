import { siteInWords } from '@/core/address'
import { type ReadDocument, readRunDocument } from '@/core/document'
import { jsonPieces, signOffOf, unseenLines } from '@/core/report'
import { surfacesWith } from '@/core/surface'
import { plural, printableJson, terminalText } from '@/core/text'
import { signedWithKey } from '@/io/sign-with-key'
import { CannotRun } from './cannot-run'
import { digest, makeRun, type RunOptions } from './check'
import { fromHere } from './from-here'
import { ensureSigned, loadPrivateKey, loadRequirements, loadRunDocument } from './load-files'
import { ensureWritable, writeOut, writeStandardOut } from './write-out'

export type SignOptions = RunOptions & { by: string; reason?: string; key?: string; out: string }

const isDocument = (source: string) => /\.jsonl?(?:\.gz)?$/i.test(source)

/** The run that is signed: of a document as it stands, of a source as it is now. */
async function runOf(source: string, options: SignOptions): Promise<ReadDocument> {
  if (isDocument(source)) return loadRunDocument(source, 'run')
  const { document, fault } = await makeRun(source, options)
  if (fault !== null) throw new CannotRun(`The run broke off, and is not signed. ${fault}`)
  const read = readRunDocument([...jsonPieces(document)].join(''))
  if (!read.ok) throw new CannotRun(read.fault)
  return read.document
}

/** What is not looked at, as whoever signs has to know it. */
function lacksOf(document: ReadDocument): string[] {
  const { incomplete = [], summary, source, notes } = document
  return [
    ...incomplete.map(({ message }) => message),
    ...unseenLines({ summary, source }),
    ...notes.map(({ message }) => message),
  ]
}

/** Sections whose pages are counted one by one before the rest is. */
const SECTIONS_TOLD = 12

/** What is being signed, for somebody to read before their name is under it. */
function toRead(document: ReadDocument, surfaces: readonly string[], { by, reason }: SignOptions): string {
  const { source, pages, summary } = document
  const sections = new Map<string, number>()
  for (const { section = '/' } of pages) sections.set(section, (sections.get(section) ?? 0) + 1)
  const named = [...sections].sort(([, a], [, b]) => b - a)
  const rest = named.length - SECTIONS_TOLD
  const lines = [
    `${by} signs what the cards of ${plural(pages.length, 'page')} of ${siteInWords(source.site)} show`,
    `in ${plural(surfaces.length, 'place')}: ${surfaces.join(', ')}`,
    ...named.slice(0, SECTIONS_TOLD).map(([section, count]) => `  ${section}: ${plural(count, 'page')}`),
    ...(rest > 0 ? [`  and ${plural(rest, 'more section')}`] : []),
    `with ${plural(summary.error, 'error')}, ${plural(summary.warning, 'warning')} and ${plural(summary.note, 'note')} left`,
    ...lacksOf(document).map((line) => `  ${line}`),
    ...(reason === undefined ? [] : [`because: ${reason}`]),
  ]
  return `${lines.map((line) => terminalText(line)).join('\n')}\n`
}

/**
 * Signs a run: writes somebody's yes to what its cards show, which `check --signed-off` holds later runs against.
 *
 * @returns 0
 * @throws CannotRun where something is wrong and no reason is given, or the run can't be read
 */
export async function sign(source: string, options: SignOptions): Promise<number> {
  const { by, reason, out } = options
  if (by.trim() === '') throw new CannotRun('--by names who signs: give a name.')
  await ensureWritable(fromHere(out))
  const seed = options.key === undefined ? null : await loadPrivateKey(options.key)
  const document = await runOf(source, options)
  const { requirements } = await loadRequirements(options.rules, source)
  const surfaces = requirements.surfaces ?? surfacesWith(requirements.ownSurfaces ?? []).map(({ id }) => id)
  const isWhole = (document.incomplete ?? []).length === 0 && !document.summary.unseenCount
  await writeStandardOut(toRead(document, surfaces, options))
  if ((document.summary.error > 0 || !isWhole) && !reason?.trim()) {
    const { error } = document.summary
    const left = error > 0 ? `${plural(error, 'error')} left` : 'not everything was seen'
    throw new CannotRun(`Not signed: ${left}. Say with --reason why it is signed all the same.`)
  }
  const signing = { by, at: new Date().toISOString(), reason, surfaces, errors: document.summary.error }
  const plain = await signOffOf(document, requirements, { ...signing, notLookedAt: lacksOf(document) }, digest)
  const signOff = seed === null ? plain : signedWithKey(plain, seed)
  await ensureSigned(out, signOff, options.signers, digest)
  await writeOut(fromHere(out), `${printableJson(signOff, 2)}\n`)
  await writeStandardOut(
    `Signed${seed === null ? ', without a key' : ''}: ${out}. Hold later runs against it with check --signed-off ${out}.\n`,
  )
  return 0
}
