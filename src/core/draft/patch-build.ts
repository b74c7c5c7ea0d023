import { limits } from '../address'
import { type BuildFiles, createFileMap } from '../crawl'
import type { GatheredImage, GatheredPage } from '../model'
import { decodeHtml, readPage } from '../page'
import type { DraftFields, SiteDefaults } from './draft'
import { effectiveEdits } from './effective'
import { patchPage } from './patch-page'

/** One file of a build with what drafts make of it. */
export type PatchedFile =
  | { kind: 'changed'; url: string; path: string; bytes: Uint8Array; before: string; after: string }
  | { kind: 'unchanged'; url: string; path: string }
  | { kind: 'refused'; url: string; path: string; why: string }
  | { kind: 'not-found'; url: string }

/** A page of the run that may be changed: where it is, in which section, what is drafted for it. */
export type PageToPatch = { page: GatheredPage; section: string; fields: DraftFields }

/**
 * What drafts, defaults and patterns make of the files of a build, one at a time: the file is read as it is now, so that
 * a build that changed since the run keeps its changes.
 *
 * @param site production base address that the build is meant for
 */
export async function* patchBuild(
  files: BuildFiles,
  site: string,
  pages: readonly PageToPatch[],
  defaults: SiteDefaults,
  imageOf: (url: string) => GatheredImage | undefined,
): AsyncGenerator<PatchedFile> {
  const linked = new Set(pages.map(({ page }) => page.url))
  const { fileAt } = createFileMap(files.paths, site, linked)
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
    const patch = patchPage(bytes, edits)
    if (patch.kind === 'refused') yield { kind: 'refused', url, path, why: patch.why }
    else if (patch.after === patch.before) yield { kind: 'unchanged', url, path }
    else yield { kind: 'changed', url, path, bytes: patch.bytes, before: patch.before, after: patch.after }
  }
}
