import { limits, pathOn, resolveAddress } from '../address'
import { type BuildFiles, createFileMap } from '../crawl'
import type { GatheredImage, GatheredPage, PageFacts } from '../model'
import { decodeHtml, readPage } from '../page'
import { fileOfPath } from '../text'
import type { DraftFields } from './draft'
import { effectiveEdits, type KnownDefaults } from './effective'
import { patchPage } from './patch-page'
import type { TagEdits } from './tag-edits'

/** One file of a build with what drafts make of it. */
export type PatchedFile =
  | { kind: 'changed'; url: string; path: string; bytes: Uint8Array; before: string; after: string }
  | { kind: 'unchanged'; url: string; path: string }
  | { kind: 'refused'; url: string; path: string; why: string }
  /** A picture that drafts name, which the build lacks and this browser made. */
  | { kind: 'picture'; url: string; path: string; bytes: Uint8Array }
  | { kind: 'not-found'; url: string }

/** A page of the run that may be changed: where it is, in which section, what is drafted for it. */
export type PageToPatch = { page: GatheredPage; section: string; fields: DraftFields }

/** Tags whose value is a picture. */
const PICTURE_TAGS = ['og:image', 'og:image:url', 'og:image:secure_url', 'twitter:image', 'twitter:image:src']

/**
 * Finds the pictures that edits name and the build lacks: a patched build can't name one that is not there.
 *
 * @param added takes those that were made here, by address
 * @returns why the page can't be patched; null where every picture is there
 */
async function picturesLacking(
  edits: TagEdits,
  site: string,
  fileAt: (url: string) => string | null,
  madePicture: (url: string) => Promise<Uint8Array | null>,
  added: Map<string, PatchedFile>,
  { url: pageUrl, facts }: { url: string; facts: PageFacts },
): Promise<string | null> {
  // What the page names already is its own fault, and no worse for being written another way.
  const named = new Set(
    facts.metas.flatMap(({ key, value }) =>
      value && PICTURE_TAGS.includes(key) ? (resolveAddress(value, pageUrl) ?? []) : [],
    ),
  )
  for (const key of PICTURE_TAGS) {
    const value = edits.get(key)
    const url = value ? resolveAddress(value, site) : null
    if (url === null || !url.startsWith(site) || named.has(url) || added.has(url) || fileAt(url) !== null) continue
    const { path, fault } = fileOfPath(new URL(url).pathname.slice(new URL(site).pathname.length))
    if (path === null) return `${key} would name a file that can’t be written: ${fault}. Draft another URL.`
    const bytes = await madePicture(url)
    if (bytes === null)
      return `${key} would name ${pathOn(url, site)}, which is neither in this build nor kept in this browser. Make the picture again, or draft another one.`
    added.set(url, { kind: 'picture', url, path, bytes })
  }
  return null
}

/**
 * What drafts, defaults and patterns make of the files of a build, one at a time: the file is read as it is now, so that
 * a build that changed since the run keeps its changes.
 *
 * @param site production base address that the build is meant for
 * @param madePicture bytes of a picture that was made here and is in no build yet; null for any other
 */
export async function* patchBuild(
  files: BuildFiles,
  site: string,
  pages: readonly PageToPatch[],
  defaults: KnownDefaults,
  imageOf: (url: string) => GatheredImage | undefined,
  madePicture: (url: string) => Promise<Uint8Array | null> = async () => null,
): AsyncGenerator<PatchedFile> {
  const linked = new Set(pages.map(({ page }) => page.url))
  const { fileAt } = createFileMap(files.paths, site, linked)
  const added = new Map<string, PatchedFile>()
  for (const { page, section, fields } of pages) {
    const { url } = page
    const path = page.file !== null && files.paths.includes(page.file) ? page.file : fileAt(url)
    if (path === null) {
      yield { kind: 'not-found', url }
      continue
    }
    const { body: bytes, isCut } = await files.read(path, limits.pageBytes)
    if (isCut) {
      yield {
        kind: 'refused',
        url,
        path,
        why: `It is longer than the ${limits.pageBytes / 1e6} MB that are read of a page.`,
      }
      continue
    }
    const now: GatheredPage = { ...page, facts: readPage(decodeHtml(bytes, null)).facts }
    const { edits } = effectiveEdits({ ...now, facts: now.facts! }, section, fields, defaults, imageOf)
    const lacking = await picturesLacking(edits, site, fileAt, madePicture, added, { url, facts: now.facts! })
    if (lacking !== null) {
      yield { kind: 'refused', url, path, why: lacking }
      continue
    }
    const patch = patchPage(bytes, edits)
    if (patch.kind === 'refused') yield { kind: 'refused', url, path, why: patch.why }
    else if (patch.after === patch.before) yield { kind: 'unchanged', url, path }
    else yield { kind: 'changed', url, path, bytes: patch.bytes, before: patch.before, after: patch.after }
  }
  yield* added.values()
}
