import { GOOD_SITE } from './good-site'

/** A sitemap of these paths. */
export const sitemapOf = (...paths: string[]): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${paths
    .map((path) => `<url><loc>${/^https?:/.test(path) ? path : GOOD_SITE + path}</loc></url>`)
    .join('')}</urlset>\n`
