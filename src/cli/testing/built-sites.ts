import { realImage } from './real-site'

/** A built site: the files that its generator wrote, and where it will live. */
export type BuiltSite = { name: string; site: string; sitemap: string; files: Record<string, string | Uint8Array> }

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)

/** A page without line breaks, as generators with a minifier write it: attributes without quotes, optional tags left out. */
const minified = (head: string, body: string, lang: string) =>
  `<!doctype html><html lang=${lang} dir=ltr data-theme=dark><head><meta charset=utf-8><meta name=viewport content="width=device-width, initial-scale=1"><style>:root{--accent:#2b5f75}body{margin:0}</style>${head}<link rel=stylesheet href=/_assets/index.Dk3f9a.css></head><body>${body}<script type=module>const t=document.documentElement;t.dataset.ready="</p>"</script></body></html>`

const TOPICS = [
  'hulls',
  'sails',
  'ropes',
  'charts',
  'winches',
  'anchors',
  'lamps',
  'pumps',
  'oars',
  'keels',
  'decks',
  'masts',
]
const PARTS = ['care', 'parts', 'repair'] as const

/**
 * A manual in two languages, as a generator of documentation builds one: a folder a page, minified, a sitemap index, icons,
 * one share image for all, hreflang in pairs, and faults that such sites have: a section whose template forgets
 * og:description, headings as titles twice, one page that its sitemap lacks, a link that leads nowhere.
 */
export async function manualSite(): Promise<BuiltSite> {
  const site = 'https://manual.quaywright.example/'
  const files: BuiltSite['files'] = {}
  const listed: string[] = []
  const menu = (lang: string) =>
    `<nav aria-label=Main><ul>${TOPICS.map((topic) => `<li><a href="/${lang}${topic}/care/">${capital(topic)}</a>`).join('')}</ul></nav>`
  const add = (lang: '' | 'de/', path: string, title: string, text: string, isTold = true) => {
    const url = `${site}${lang}${path}`
    const other = lang === '' ? `${site}de/${path}` : `${site}${path}`
    const says = (key: string, value: string) => `<meta property=${key} content="${value}">`
    const head = [
      `<title>${title} | Quaywright Manual</title>`,
      `<link rel=canonical href=${url}>`,
      `<link rel=alternate hreflang=${lang === '' ? 'en' : 'de'} href=${url}><link rel=alternate hreflang=${lang === '' ? 'de' : 'en'} href=${other}>`,
      `<link rel=sitemap href=/sitemap-index.xml><link rel="shortcut icon" href=/favicon.svg type=image/svg+xml>`,
      says('og:title', title),
      says('og:type', 'article'),
      says('og:url', url),
      says('og:locale', lang === '' ? 'en' : 'de'),
      ...(isTold ? [`<meta name=description content="${text}">`, says('og:description', text)] : []),
      says('og:site_name', 'Quaywright Manual'),
      says('og:image', `${site}_assets/card.png`),
      '<meta name=twitter:card content=summary_large_image>',
    ].join('')
    const body = `<header><a href=/${lang}>Quaywright Manual</a>${menu(lang)}</header><main><h1 id=_top>${title}</h1><p>${text}<p>See <a href="../parts/#list">the list of parts</a>.</main><footer><a href=${other} hreflang=${lang === '' ? 'de' : 'en'}>${lang === '' ? 'Deutsch' : 'English'}</a></footer>`
    files[`${lang}${path}index.html`] = minified(head, body, lang === '' ? 'en' : 'de')
    listed.push(url)
  }
  for (const lang of ['', 'de/'] as const) {
    const isGerman = lang === 'de/'
    add(
      lang,
      '',
      isGerman ? 'Das Handbuch für kleine Boote' : 'The manual for small boats',
      isGerman
        ? 'Wie man ein kleines Holzboot über viele Jahre in gutem Zustand hält, Teil für Teil.'
        : 'How a small wooden boat is kept in good order for many years, part by part.',
    )
    for (const topic of TOPICS)
      for (const part of PARTS) {
        const title =
          part === 'parts'
            ? 'List of parts'
            : isGerman
              ? `${capital(topic)}: ${part === 'care' ? 'Pflege' : 'Reparatur'}`
              : `${capital(part)} of ${topic}`
        const text = isGerman
          ? `Was bei ${topic} zu tun ist, womit man beginnt, und was man besser einer Werft überlässt.`
          : `What there is to do for ${topic}, where to begin with it, and what is better left to a boatyard.`
        add(lang, `${topic}/${part}/`, title, text, part !== 'repair')
      }
  }
  files['404.html'] = minified('<title>404 | Quaywright Manual</title>', '<h1>404</h1><p>There is nothing here.', 'en')
  files['index.html'] = String(files['index.html']).replace('</main>', '<p><a href=/glossary/>Glossary</a></main>')
  files['_assets/card.png'] = await realImage(0)
  files['_assets/index.Dk3f9a.css'] = ':root{color-scheme:dark}'
  files['favicon.svg'] =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8"><circle cx="4" cy="4" r="4" fill="#2b5f75"/></svg>'
  files['robots.txt'] = `User-agent: *\nAllow: /\nSitemap: ${site}sitemap-index.xml\n`
  files['sitemap-index.xml'] =
    `<?xml version="1.0" encoding="UTF-8"?><sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><sitemap><loc>${site}sitemap-0.xml</loc></sitemap></sitemapindex>`
  files['sitemap-0.xml'] = `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${listed
    .slice(0, -1)
    .map((url) => `<url><loc>${url}</loc></url>`)
    .join('')}</urlset>`
  return { name: 'manual', site, sitemap: 'sitemap-index.xml', files }
}

const THEMES = ['harbour', 'orchard', 'foundry', 'meadow', 'lantern', 'quarry', 'bakery', 'studio', 'clinic']
const THEME_PAGES = ['index', 'about', 'contact', 'pricing']

/**
 * A collection of page templates as people get them from several hands: one folder each, no two heads alike, capitals and
 * old habits, texts that were never filled in, images by relative URLs, tags in the body.
 */
export async function templateCollection(): Promise<BuiltSite> {
  const site = 'https://templates.quaywright.example/'
  const files: BuiltSite['files'] = {}
  const pages: string[] = []
  const heads: ((theme: string, page: string) => string)[] = [
    (theme) =>
      `<title>${capital(theme)} Theme</title>\n<meta name="description" content="">\n<meta name="author" content="">`,
    (theme, page) =>
      `<META NAME="Description" CONTENT="A template for ${theme}s that have more to show than to say: ${page}.">\n<TITLE>${capital(theme)} – ${capital(page)}</TITLE>`,
    (theme, page) =>
      `<title>{{ page.title }}</title>\n<meta property="og:title" content="${capital(theme)}">\n<meta property="og:image" content="img/cover.png">\n<meta property="og:url" content="http://localhost:3000/${page}">`,
    (theme) =>
      `<title>${capital(theme)}</title>\n<meta name="og:title" content="${capital(theme)}">\n<meta name="og:image" content="${site}${theme}/img/cover.png">\n<meta name="twitter:card" content="summary_large">`,
    () => `<title>Document</title>\n<link rel="icon" href="favicon.ico">`,
  ]
  for (const [index, theme] of THEMES.entries()) {
    for (const page of THEME_PAGES) {
      const head = heads[index % heads.length]!(theme, page)
      const links = THEME_PAGES.map(
        (to) => `<li class="nav-item"><a class="nav-link" href="${to}.html">${capital(to)}</a></li>`,
      )
      const late =
        index % 4 === 3
          ? '\n<meta property="og:description" content="A sentence that stands too late to be read.">'
          : ''
      files[`${theme}/${page}.html`] =
        `<!DOCTYPE html>\n<html${index % 3 === 0 ? '' : ' lang="en"'}>\n<head>\n<meta charset="utf-8">\n${head}\n<link href="css/styles.css" rel="stylesheet">\n</head>\n<body id="page-top">${late}\n<nav><ul>${links.join('\n')}</ul></nav>\n<header><h1>${capital(theme)} ${page}</h1><p class="lead">Lorem ipsum dolor sit amet, consectetur adipisicing elit, sed do eiusmod tempor.</p></header>\n<img src="img/cover.png" alt="...">\n<p>Copyright &copy; Your Website 2026</p>\n</body>\n</html>\n`
      pages.push(`${theme}/${page === 'index' ? '' : `${page}.html`}`)
    }
    files[`${theme}/img/cover.png`] = await realImage(index)
    files[`${theme}/css/styles.css`] = 'body{margin:0}'
  }
  files['index.html'] =
    `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>All templates of the yard</title>\n<link rel="canonical" href="${site}">\n</head>\n<body>\n<h1>All templates of the yard</h1>\n${pages.map((path) => `<a href="/${path}">${path}</a>`).join('\n')}\n</body>\n</html>\n`
  files['sitemap.xml'] =
    `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${['', ...pages].map((path) => `<url><loc>${site}${path}</loc></url>`).join('')}</urlset>`
  return { name: 'templates', site, sitemap: 'sitemap.xml', files }
}
