import { stat } from 'node:fs/promises'
import { basename, extname, join } from 'node:path'
import { pathForms, pathOn } from '@/core/address'
import type { RunSource } from '@/core/model'
import {
  type CardSheet,
  changedCards,
  type DrawnRun,
  fileNameOf,
  MAX_ON_SHEET,
  type Side,
  sheetOfChanged,
  sheetOfRun,
} from '@/core/sheet'
import { mainPlace, type Surface, surfacesWith } from '@/core/surface'
import { groupBy, nearestWord, printableJson, terminalText } from '@/core/text'
import type { PictureCopy } from '@/io/decoder/decoder'
import { linesOfOtherFaces, sheetAsPng, sheetAsSvgFile } from '@/io/sheet/draw-sheet'
import { writeBelow, writeFileWhole } from '@/io/write-file'
import { CannotRun } from './cannot-run'
import { makeRun, type RunOptions } from './check'
import { fromHere } from './from-here'
import { loadRequirements, loadRunDocument } from './load-files'
import { writtenBefore } from './own-files'
import { picturesOfRun } from './pictures-of-run'
import { loginOf } from './source'
import { ensureWritable, writeStandardOut } from './write-out'

export type CardsOptions = RunOptions & {
  page: string[]
  surface: string[]
  changedSince?: string
  out: string
  overwrite?: boolean
}

/** What was drawn into a folder so far, in that folder: other files of its are not written over. */
const LIST = 'nimble-parrot-cards.json'
const FORMAT = 'nimble-parrot-cards'

/** Longest side of a picture in a drawing, in pixels: as wide as the widest card at twice its size. */
const COPY_SIDE = 1100

/** A run to draw, and where its pictures are. */
type Loaded = { run: DrawnRun & { source: RunSource }; isNamedByUser: boolean }

const isDocument = (source: string) => /\.jsonl?(?:\.gz)?$/i.test(source) && !/^https?:\/\//i.test(source)

async function loaded(source: string, options: CardsOptions): Promise<Loaded> {
  if (isDocument(source)) return { run: await loadRunDocument(source, 'run'), isNamedByUser: false }
  return { run: (await makeRun(source, options)).document, isNamedByUser: true }
}

/** The places that were asked for; `otherwise` where none was. */
function chosenSurfaces(ids: readonly string[], known: readonly Surface[], otherwise: readonly Surface[]): Surface[] {
  if (ids.length === 0) return [...otherwise]
  return ids.map((id) => {
    const found = known.find((surface) => surface.id === id)
    if (found) return found
    const all = known.map((surface) => surface.id)
    const near = nearestWord(id, all)
    throw new CannotRun(`--surface ${id} is no place.${near ? ` Is ${near} meant?` : ''} There are ${all.join(', ')}.`)
  })
}

/** Pages by the paths or addresses that were asked for; all where none was. */
function chosenPages({ pages, source: { site } }: DrawnRun, asked: readonly string[]): DrawnRun['pages'] {
  if (asked.length === 0) return pages
  const forms = pages.map(({ url }) => pathForms(url, site))
  return asked.map((path) => {
    const wanted = path.startsWith('http') || path.startsWith('/') ? path : `/${path}`
    const found = pages.find(({ url }, index) => url === wanted || forms[index]!.includes(wanted))
    if (found) return found
    const near = nearestWord(
      wanted,
      forms.map((paths) => paths.at(-1)!),
    )
    throw new CannotRun(`--page ${path} is not in the run.${near ? ` Is ${near} meant?` : ''}`)
  })
}

/** Pictures that a drawing shows, by side; true for those that are icons alone. */
function picturesOn({ drawing }: CardSheet): Map<Side, Map<string, boolean>> {
  const wanted = new Map<Side, Map<string, boolean>>([
    ['before', new Map()],
    ['after', new Map()],
  ])
  for (const step of drawing.steps) {
    if (step.kind !== 'picture') continue
    const space = step.picture.indexOf(' ')
    const [urls, url] = [wanted.get(step.picture.slice(0, space) as Side)!, step.picture.slice(space + 1)]
    urls.set(url, step.isIcon === true && urls.get(url) !== false)
  }
  return wanted
}

const keyOf = (side: Side, url: string) => `${side} ${url}`

/** Small copies of the pictures on some sheets, by their keys. An icon that is a drawing (SVG) is not decoded, and not missed. */
async function copiesFor(
  sheets: readonly CardSheet[],
  sides: Partial<Record<Side, Loaded>>,
  options: CardsOptions,
): Promise<{ copies: Map<string, PictureCopy>; missing: number }> {
  const copies = new Map<string, PictureCopy>()
  let missing = 0
  for (const side of ['before', 'after'] as const) {
    const { run, isNamedByUser } = sides[side] ?? {}
    if (!run) continue
    const urls = new Map(sheets.flatMap((sheet) => [...picturesOn(sheet).get(side)!]))
    const hashes = new Map(run.images.map(({ url, hash }) => [url, hash]))
    const wanted = [...urls.keys()].map((url) => ({ url, hash: hashes.get(url) ?? null }))
    const access = { isNamedByUser: isNamedByUser ?? false, login: loginOf(options), ask: options.ask ?? [] }
    const found = await picturesOfRun(run.source, wanted, COPY_SIDE, access)
    for (const [url, copy] of found) copies.set(keyOf(side, url), copy)
    missing += [...urls].filter(([url, isIcon]) => !isIcon && !found.has(url)).length
  }
  return { copies, missing }
}

/** A sheet to write, and the file for it. */
type NamedSheet = { file: string; sheet: CardSheet }

/** One file for each, none written over another. */
function named(sheets: readonly { name: string; sheet: CardSheet }[], folder: string): NamedSheet[] {
  const taken = new Map<string, number>()
  return sheets.map(({ name, sheet }) => {
    const times = taken.get(name.toLowerCase()) ?? 0
    taken.set(name.toLowerCase(), times + 1)
    return { file: join(folder, `${name}${times === 0 ? '' : `-${times + 1}`}.png`), sheet }
  })
}

/** Sheets of a run by itself, or of what changed since an earlier one. */
function sheetsOf(
  after: DrawnRun,
  before: DrawnRun | null,
  known: readonly Surface[],
  options: CardsOptions,
  isFolder: boolean,
): { name: string; sheet: CardSheet }[] {
  const pages = chosenPages(after, options.page)
  if (before) {
    const surfaces = chosenSurfaces(options.surface, known, known)
    const paths = new Set(pages.map(({ url }) => pathOn(url, after.source.site)))
    const changed = changedCards(before, after, surfaces, options.surface.length > 0).filter(
      ({ path }) => options.page.length === 0 || paths.has(path),
    )
    const groups = isFolder ? groupBy(changed, ({ path }) => path) : new Map([['changed', changed]])
    return [...groups].map(([path, cards]) => ({
      name: fileNameOf(path),
      sheet: sheetOfChanged(before, after, cards, keyOf),
    }))
  }
  const isOnePage = isFolder || pages.length === 1
  const surfaces = chosenSurfaces(options.surface, known, isOnePage ? known : [mainPlace(known)])
  const groups = isFolder ? pages.map((page) => [page]) : [pages]
  return groups.map((group) => ({
    name: fileNameOf(pathOn(group[0]?.url ?? '', after.source.site)),
    sheet: sheetOfRun(after, group, surfaces, (url) => keyOf('after', url)),
  }))
}

/** What --out names: a picture, or a folder of them, which is made where it is not there. */
async function placeOf(out: string): Promise<{ isFolder: boolean; isSvg: boolean }> {
  const found = await stat(fromHere(out)).catch(() => null)
  const extension = extname(out).toLowerCase()
  const isFolder = found?.isDirectory() ?? extension === ''
  if (!isFolder && extension !== '.png' && extension !== '.svg')
    throw new CannotRun(`--out ${out} is neither a .png, nor an .svg, nor a folder.`)
  return { isFolder, isSvg: extension === '.svg' }
}

/**
 * Draws cards as pictures, of a source or a run document; with an earlier run each changed card beside what it was.
 *
 * @returns 0, also where nothing changed: the picture says so
 * @throws CannotRun where a page or a place is not there, nothing was read, or nothing can be written
 */
export async function cards(source: string, options: CardsOptions): Promise<number> {
  const { isFolder, isSvg } = await placeOf(options.out)
  if (!isFolder) await ensureWritable(fromHere(options.out))
  const before = options.changedSince === undefined ? null : await loadRunDocument(options.changedSince, 'earlier run')
  const after = await loaded(source, options)
  const { requirements } = await loadRequirements(options.rules, source)
  const known = surfacesWith(requirements.ownSurfaces ?? [])
  const sheets = sheetsOf(after.run, before, known, options, isFolder)
  const sides = before ? { before: { run: before, isNamedByUser: false }, after } : { after }
  const { copies, missing } = await copiesFor(
    sheets.map(({ sheet }) => sheet),
    sides,
    options,
  )
  const files = isFolder ? named(sheets, options.out) : sheets.map(({ sheet }) => ({ file: options.out, sheet }))
  const own = isFolder ? await writtenBefore(options.out, LIST, FORMAT) : new Set<string>()
  const mayReplace = (file: string) => options.overwrite === true || own.has(file)
  try {
    for (const { file, sheet } of files) {
      const picture = isSvg ? sheetAsSvgFile(sheet.drawing, copies) : await sheetAsPng(sheet.drawing, copies)
      if (!isFolder) await writeFileWhole(fromHere(file), picture)
      else await writeBelow(fromHere(options.out), basename(file), picture, mayReplace(basename(file)))
    }
    if (isFolder)
      await writeBelow(
        fromHere(options.out),
        LIST,
        `${printableJson({ format: FORMAT, version: 1, written: [...new Set([...own, ...files.map(({ file }) => basename(file))])].sort() }, 2)}\n`,
      )
  } catch (error) {
    throw new CannotRun(`${options.out} can’t be written: ${error instanceof Error ? error.message : String(error)}`)
  }
  const drawn = sheets.reduce((sum, { sheet }) => sum + sheet.cards, 0)
  const left = sheets.reduce((sum, { sheet }) => sum + sheet.left, 0)
  const what = before ? `changed ${drawn === 1 ? 'card' : 'cards'}` : drawn === 1 ? 'card' : 'cards'
  await writeStandardOut(`${options.out}: ${drawn} ${what}${isFolder ? ` in ${files.length} pictures` : ''}\n`)
  if (left > 0)
    process.stderr.write(
      `nimble-parrot: ${left} more have no room on a sheet of ${MAX_ON_SHEET}. Name pages with --page, or give a folder.\n`,
    )
  const foreign = isSvg ? [] : sheets.flatMap(({ sheet }) => linesOfOtherFaces(sheet.drawing))
  if (foreign.length > 0)
    process.stderr.write(
      `nimble-parrot: our face lacks letters of ${foreign.length} lines, such as “${terminalText(foreign[0]!)}”: a face of this machine draws them, and boxes stand for what it lacks too. An .svg takes the faces of the machine that opens it.\n`,
    )
  if (missing > 0)
    process.stderr.write(
      `nimble-parrot: ${missing} ${missing === 1 ? 'picture is' : 'pictures are'} not at hand, or other than the run saw: a grey box stands for each.\n`,
    )
  return 0
}
