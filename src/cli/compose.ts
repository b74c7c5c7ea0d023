import { dirname, join } from 'node:path'
import { createAddressMap, isNamedSite, limits, pathnameOf, pathOn, withoutUnnamedHost } from '@/core/address'
import { namesIn, siteCalled } from '@/core/check'
import { composedNames, type PictureTemplate, pageTexts, readTemplates, wantsPicture } from '@/core/compose'
import { ownPictures } from '@/core/draft'
import { CENTER, type Focus } from '@/core/image'
import type { GatheredPage, Gathering, PageFacts } from '@/core/model'
import { firstValue, ogImages, publicImageUrl } from '@/core/surface'
import { nearestWord, printableJson, terminalText } from '@/core/text'
import { BadFace, type ComposeFace, composeFace, ownFont, SHIPPED_FAMILY } from '@/io/compose/compose-face'
import { drawComposed, type Ground } from '@/io/compose/draw-composed'
import { faultOfFont } from '@/io/compose/try-font'
import { createCopier } from '@/io/decoder/decoder'
import { readPart } from '@/io/folder'
import { writeBelow } from '@/io/write-file'
import { CannotRun } from './cannot-run'
import { makeRun, type RunOptions } from './check'
import { fromHere } from './from-here'
import { isInRepository } from './load-files'
import { writtenBefore } from './own-files'
import { bytesOfRun } from './pictures-of-run'
import { loginOf } from './source'
import { writeStandardOut } from './write-out'

export type ComposeOptions = RunOptions & { templates: string; out: string; overwrite?: boolean }

type ReadPage = GatheredPage & { facts: PageFacts }

/** A template with what it names, read. */
type Ready = { template: PictureTemplate; face: ComposeFace; mark: Uint8Array | null }

const words = (error: unknown) => (error instanceof Error ? error.message : String(error))

async function fileBeside(templates: string, name: string): Promise<Uint8Array> {
  const folder = dirname(fromHere(templates))
  const path = join(folder, name)
  if (!(await isInRepository(path, folder)))
    throw new CannotRun(
      `${templates} names ${name}, which is outside its repository. Put the file beside the templates.`,
    )
  return readPart(path, limits.zipFileBytes).then(
    ({ body }) => body,
    (error: unknown) => {
      throw new CannotRun(`${templates} names ${name}, which can’t be read: ${words(error)}`)
    },
  )
}

async function faceFor(templates: string, { face }: PictureTemplate): Promise<ComposeFace> {
  if (!face.file && face.family !== SHIPPED_FAMILY)
    throw new CannotRun(
      `${templates} asks for the face ${face.family} and names no file of it. Put the font beside the templates and name it as face.file, or take ${SHIPPED_FAMILY}, which comes along.`,
    )
  const files = [...(face.file ? [face.file] : []), ...(face.also ?? [])]
  const fonts = []
  for (const file of files) {
    const bytes = await fileBeside(templates, file)
    const fault = await faultOfFont(bytes, face.weight)
    if (fault !== null) throw new CannotRun(`The font ${file} can’t be used. ${fault}`)
    try {
      fonts.push(ownFont(bytes, face.weight))
    } catch (error) {
      throw error instanceof BadFace ? new CannotRun(`The font ${file} can’t be used. ${error.message}`) : error
    }
  }
  return composeFace(fonts, face.weight, !face.file)
}

/** Every template of the file, with its face and its mark. @throws CannotRun that names what can't be used */
async function readyTemplates(
  file: string,
): Promise<{ ready: Map<string, Ready>; focuses: Readonly<Record<string, Focus>> }> {
  const { body } = await readPart(fromHere(file), limits.settingsCharacters).catch((error: unknown) => {
    throw new CannotRun(`The templates ${file} can’t be read: ${words(error)}`)
  })
  const read = readTemplates(new TextDecoder().decode(body))
  if (!read.ok)
    throw new CannotRun(
      `${file} can’t be used. ${read.faults.map(({ path, message }) => `${path}: ${message}`).join(' ')}`,
    )
  const ready = new Map<string, Ready>()
  for (const [section, template] of Object.entries(read.templates.sections)) {
    const mark = template.mark?.file ? await fileBeside(file, template.mark.file) : null
    ready.set(section, { template, face: await faceFor(file, template), mark })
  }
  return { ready, focuses: read.templates.focuses ?? {} }
}

/** Pictures that a template may stand on, the page's own largest first. */
function groundsOf(page: ReadPage, { source, images }: Gathering): string[] {
  const context = {
    addresses: createAddressMap(source.site, null),
    images: new Map(images.map((image) => [image.url, image])),
  }
  const named = ogImages(page.facts).flatMap(({ forms }) => publicImageUrl(page, forms[0]?.value ?? '', context) ?? [])
  return [...ownPictures(page, context).map(({ url }) => url), ...named]
}

/** Has the page a picture that was not composed for it? */
function hasOther({ facts }: ReadPage, address: string): boolean {
  const said = firstValue(facts, 'og:image')
  return said !== null && said !== address
}

/** A page that is composed for, in its section's template. */
type Wanted = { page: ReadPage; section: string; ready: Ready; file: string }

/** Pages of sections with a template that have no picture, or the one that was composed for them before. */
function wantedPages(
  gathering: Gathering,
  sectionOf: ReadonlyMap<string, string>,
  ready: ReadonlyMap<string, Ready>,
): Wanted[] {
  const { site } = gathering.source
  return [...ready].flatMap(([section, one]) => {
    const pages = gathering.pages.filter(
      (page): page is ReadPage => page.facts !== null && sectionOf.get(page.url) === section,
    )
    const names = composedNames(
      pages.map(({ url }) => url),
      site,
      one.template,
    )
    return pages.flatMap((page) => {
      const file = names.get(page.url)!
      return hasOther(page, new URL(file, site).href) ? [] : [{ page, section, ready: one, file }]
    })
  })
}

/** What was composed, beside the pictures. A site may have a manifest.json of its own. */
const MANIFEST = 'nimble-parrot-composed.json'

const FORMAT = 'nimble-parrot-composed-pictures'

/** Templates by the sections of a run, which are named with the site's path or without; and those that no page lies in. */
function placedTemplates(
  ready: ReadonlyMap<string, Ready>,
  sections: ReadonlySet<string>,
  site: string,
): { placed: Map<string, Ready>; idle: string[] } {
  const base = pathnameOf(site).slice(0, -1)
  const placed = new Map<string, Ready>()
  const idle: string[] = []
  for (const [name, one] of ready) {
    const section = [name, base + name].find((form) => sections.has(form))
    if (section !== undefined) placed.set(section, one)
    else {
      const near = nearestWord(name, [...sections])
      idle.push(`No page lies in ${name}, which has a template.${near === null ? '' : ` Is ${near} meant?`}`)
    }
  }
  return { placed, idle }
}

/** Longest side of a picture that a template stands on, in pixels. */
const LARGEST_GROUND = 2400

const KINDS = { fits: 'heavier than the budget', cut: 'with its title cut' } as const

/**
 * Writes share pictures from templates, for pages that have none or the one that was composed before.
 *
 * @returns 0, or 1 where a page got none, a title was cut, or a budget can't be met; each is said
 * @throws CannotRun where nothing was read, or a template can't be used
 */
export async function compose(source: string, options: ComposeOptions): Promise<number> {
  const { ready, focuses } = await readyTemplates(options.templates)
  const { document, gathering } = await makeRun(source, options)
  const sectionOf = new Map(document.pages.map(({ url, section }) => [url, section]))
  const { placed, idle } = placedTemplates(ready, new Set(sectionOf.values()), gathering.source.site)
  if (placed.size === 0 && idle.length > 0) throw new CannotRun(`${options.templates}: ${idle.join(' ')}`)
  const wanted = wantedPages(gathering, sectionOf, placed)
  const isNamedByUser = true
  const bytesOf = await bytesOfRun(gathering.source, { isNamedByUser, login: loginOf(options), ask: [] })
  const copy = createCopier(new AbortController().signal)
  // What lies on a site is a stranger's: it is decoded in a process of its own, as everywhere.
  const groundAt = async (url: string) => {
    const bytes = await bytesOf.read(url)
    return (bytes && (await copy(bytes, LARGEST_GROUND))?.bytes) ?? null
  }
  const called = siteCalled(gathering.pages, (url) => sectionOf.get(url) ?? '/')
  const faults: string[] = []
  const notes = [...idle]
  const written = await writtenBefore(options.out, MANIFEST, FORMAT)
  const manifest: object[] = []
  const files: string[] = []
  try {
    for (const { page, section, ready: own, file } of wanted) {
      const { template, face, mark } = own
      const texts = pageTexts(template, page, section, null, namesIn(called, section))
      const path = pathOn(page.url, gathering.source.site)
      const said = `${texts.title}${texts.line}${texts.mark}`
      const lacking = face.lacking(said)
      if (lacking.length > 0) {
        faults.push(
          `${path}: the face lacks ${lacking.slice(0, 8).join(' ')}: name a font file that has them. No picture was made.`,
        )
        continue
      }
      const lent = face.standsInFor(said)
      if (lent.length > 0)
        notes.push(`${path}: ${SHIPPED_FAMILY} stands in for ${lent.slice(0, 8).join(' ')}, which the face lacks`)
      const grounds = wantsPicture(template) ? groundsOf(page, gathering) : []
      let picture: Ground | null = null
      for (const url of grounds) {
        const bytes: Uint8Array | null = picture ? null : await groundAt(url)
        if (bytes) picture = { bytes, focus: Object.hasOwn(focuses, url) ? focuses[url]! : CENTER }
      }
      const made = await drawComposed(template, texts, face, { picture, mark })
      if (!made.fits) faults.push(`${path}: ${KINDS.fits}, ${made.bytes.length} bytes.`)
      if (made.plan.isCut) faults.push(`${path}: ${KINDS.cut}.`)
      await writeBelow(fromHere(options.out), file, made.bytes, options.overwrite === true || written.has(file))
      files.push(file)
      const address = new URL(file, gathering.source.site).href
      manifest.push({
        ...{ page: page.url, section, file, address, title: texts.title, ...template.shape },
        ...{ bytes: made.bytes.length, quality: made.quality, withinBudget: made.fits, titleCut: made.plan.isCut },
      })
    }
  } catch (error) {
    throw error instanceof CannotRun ? error : new CannotRun(`${options.out} can’t be written: ${words(error)}`)
  } finally {
    await bytesOf.close()
  }
  const site = isNamedSite(gathering.source.site) ? gathering.source.site : null
  const all = [...new Set([...written, ...files])].sort()
  const list = { format: FORMAT, version: 1, site, pictures: manifest, written: all }
  await writeBelow(fromHere(options.out), MANIFEST, withoutUnnamedHost(`${printableJson(list, 2)}\n`))
  await writeStandardOut(`${options.out}: ${manifest.length} ${manifest.length === 1 ? 'picture' : 'pictures'}\n`)
  for (const fault of [...notes, ...faults]) process.stderr.write(`nimble-parrot: ${terminalText(fault)}\n`)
  return faults.length > 0 ? 1 : 0
}
