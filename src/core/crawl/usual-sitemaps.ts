/** Names that a sitemap mostly has, where nothing says where it is. Paths below the site's base. */
export const USUAL_SITEMAPS = ['sitemap.xml', 'sitemap_index.xml', 'sitemap-index.xml']
