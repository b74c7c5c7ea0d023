import type { SourceRule } from '../../requirements'
import { pagesAsFramework } from './as-framework'
import { frontMatterFiles, pagesAsFrontMatter } from './as-front-matter'
import { pagesAsHtml, tagsAsHtml } from './as-html'
import { pagesAsJson } from './as-json'
import type { CardTags } from './card-tags'

/** A form in which drafted tags leave the application. */
export type TakeAway = {
  id: string
  name: string
  about: string
  extension: string
  mediaType: string
  write: (pages: readonly CardTags[]) => string
  /** Of several pages a file each, by path; absent: they are one file. */
  files?: (pages: readonly CardTags[], rules: readonly SourceRule[]) => Record<string, string>
}

/** Forms of whole sets of tags; the table of texts (CSV) is in `text-table`. */
export const takeAways: readonly TakeAway[] = [
  {
    id: 'html',
    name: 'HTML tags',
    about: 'For a head: complete, in order, absolute addresses.',
    extension: 'html',
    mediaType: 'text/html',
    write: (pages) => (pages.length === 1 ? tagsAsHtml(pages[0]!) : pagesAsHtml(pages)),
  },
  {
    id: 'json',
    name: 'JSON',
    about: 'Pages with their tags, for a script of your own.',
    extension: 'json',
    mediaType: 'application/json',
    write: pagesAsJson,
  },
  {
    id: 'metadata',
    name: 'Metadata object',
    about: 'For frameworks of the app-router style.',
    extension: 'ts',
    mediaType: 'text/plain',
    write: pagesAsFramework,
  },
  {
    id: 'front-matter',
    name: 'Front matter',
    about: 'YAML for the top of a content file; of several pages a zip, a file each.',
    extension: 'yaml',
    mediaType: 'text/plain',
    write: pagesAsFrontMatter,
    files: frontMatterFiles,
  },
]
