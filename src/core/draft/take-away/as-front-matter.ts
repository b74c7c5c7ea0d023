import { stringify } from 'yaml'
import { pathnameOf } from '../../address'
import { decodedPath } from '../../crawl'
import { type SourceRule, sourceFileOf } from '../../requirements'
import { fittingPath } from '../../text'
import { type CardTags, valuesByKey } from './card-tags'

/**
 * One page's front matter: title and description in the usual fields, the rest under `meta` by tag. Every text stands in
 * quotes: readers of YAML 1.1 take no, 12:30 and 1_000 for something else.
 */
export function frontMatter({ title, canonical, tags }: CardTags): string {
  const description = tags.find(({ key }) => key === 'description')?.value
  const image = tags.find(({ key }) => key === 'og:image')?.value
  const meta = valuesByKey(tags.filter(({ key }) => key !== 'description'))
  const fields = {
    title: title ?? '',
    ...(description ? { description } : {}),
    canonical,
    ...(image ? { image } : {}),
    meta,
  }
  return `---\n${stringify(fields, { lineWidth: 0, defaultStringType: 'QUOTE_DOUBLE', defaultKeyType: 'PLAIN' })}---\n`
}

/** Several pages: a document each, with its address in a comment. */
export function pagesAsFrontMatter(pages: readonly CardTags[]): string {
  return pages.map((page) => `# ${page.url}\n${frontMatter(page)}`).join('\n')
}

/** Where a page without a source file is put: its own path. */
const ownPlace = (path: string) => {
  const name = path.replace(/^\/|\/$/g, '').replace(/\.html?$/i, '')
  return name === '' ? 'index' : name
}

/**
 * Front matter of each page in a file of its own, beside the file that the page is written in where a rule names that:
 * `content/guides/lamp.md.yaml`. It is none of the source files themselves, which hold more.
 *
 * @returns texts by path
 */
export function frontMatterFiles(pages: readonly CardTags[], rules: readonly SourceRule[]): Record<string, string> {
  const files: Record<string, string> = {}
  for (const page of pages) {
    const path = pathnameOf(page.url)
    const name = sourceFileOf(path, rules) ?? ownPlace(decodedPath(path))
    // Names that lead out of the zip are none.
    files[`${fittingPath(name)}.yaml`] = frontMatter(page)
  }
  return files
}
