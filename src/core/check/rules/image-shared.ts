import { defineCheck } from '../define-check'

/** Fewer pages than this say nothing about habits. */
const LEAST_PAGES = 3

export const imageShared = defineCheck({
  id: 'image-shared',
  family: 'image',
  level: 'warning',
  scope: 'site',
  looksAt: 'How many pages share one picture.',
  why: 'When every link shows the same picture, no link stands out.',
  messages: {
    half: {
      says: '{count} of {all} pages share one picture, {url}.',
      fix: 'Give pages that have a good picture of their own that one, and keep the default for the rest.',
    },
  },
  check(context) {
    const pagesOf = new Map<string, string[]>()
    for (const page of context.readable) {
      const url = context.declaredImages(page)[0]?.url
      if (url) pagesOf.set(url, [...(pagesOf.get(url) ?? []), page.url])
    }
    const all = context.readable.length
    return [...pagesOf]
      .filter(([, pages]) => pages.length >= LEAST_PAGES && pages.length * 2 >= all)
      .map(([url, pages]) => ({ message: 'half', pages, image: url, data: { url, count: pages.length, all } }))
  },
})
