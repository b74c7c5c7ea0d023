import type { PictureTemplate } from '@/core/compose'
import { database, type TemplateFile } from './database'

/** Templates of a site by section; none where none was made. */
export async function templatesOf(site: string): Promise<Record<string, PictureTemplate>> {
  return (await database.templates.get(site))?.sections ?? {}
}

/** Keeps one section's template; null takes it away. */
export async function keepTemplate(site: string, section: string, template: PictureTemplate | null): Promise<void> {
  await database.transaction('rw', database.templates, async () => {
    const { [section]: _old, ...rest } = await templatesOf(site)
    await database.templates.put({ site, sections: template ? { ...rest, [section]: template } : rest })
  })
}

/** Takes templates and their files over: what they name again replaces what was there, all else stays. */
export async function takeTemplates(
  site: string,
  sections: Record<string, PictureTemplate>,
  files: readonly Omit<TemplateFile, 'site'>[],
): Promise<void> {
  const { templates, templateFiles } = database
  await database.transaction('rw', [templates, templateFiles], async () => {
    await templates.put({ site, sections: { ...(await templatesOf(site)), ...sections } })
    await templateFiles.bulkPut(files.map((file) => ({ ...file, site })))
  })
}

/** Files that a site's templates may name. */
export const templateFilesOf = (site: string): Promise<TemplateFile[]> =>
  database.templateFiles.where('site').equals(site).toArray()

export async function keepTemplateFile(site: string, name: string, blob: Blob): Promise<void> {
  await database.templateFiles.put({ site, name, blob, savedAt: Date.now() })
}

/** Keeps the templates of a site's sections, in place of all that were there. */
export async function keepTemplates(site: string, sections: Record<string, PictureTemplate>): Promise<void> {
  await database.templates.put({ site, sections })
}

/** Is there a file of this name for a site's templates? */
export const hasTemplateFile = async (site: string, name: string): Promise<boolean> =>
  (await database.templateFiles.get([site, name])) !== undefined
