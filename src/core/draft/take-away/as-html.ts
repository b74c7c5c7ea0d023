import { escapeAttribute } from '../../text'
import { metaHtml, titleHtml } from '../patch-page'
import type { CardTags } from './card-tags'

/** The tags as HTML for a head, one a line. */
export function tagsAsHtml({ title, canonical, tags }: CardTags): string {
  const lines = [
    ...(title === null ? [] : [titleHtml(title)]),
    ...tags.map(({ key, value }) => metaHtml(key, value)),
    `<link rel="canonical" href="${escapeAttribute(canonical)}">`,
  ]
  return `${lines.join('\n')}\n`
}

/** Several pages, each under a comment with its address. */
export function pagesAsHtml(pages: readonly CardTags[]): string {
  // Two hyphens end a comment early; addresses may hold them.
  return pages.map((page) => `<!-- ${page.url.replaceAll('--', '-%2D')} -->\n${tagsAsHtml(page)}`).join('\n')
}
