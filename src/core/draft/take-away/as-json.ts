import type { CardTags } from './card-tags'

/** Pages with their tags, as they were ordered. */
export function pagesAsJson(pages: readonly CardTags[]): string {
  return `${JSON.stringify(
    pages.map(({ url, title, canonical, tags }) => ({ url, title, canonical, tags })),
    null,
    2,
  )}\n`
}
