import { stringify } from 'yaml'
import { type CardTags, valuesByKey } from './card-tags'

/** One page's front matter: title and description in the usual fields, the rest under `meta` by tag. */
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
  return `---\n${stringify(fields, { lineWidth: 0 })}---\n`
}

/** Several pages: a document each, with its address in a comment. */
export function pagesAsFrontMatter(pages: readonly CardTags[]): string {
  return pages.map((page) => `# ${page.url}\n${frontMatter(page)}`).join('\n')
}
