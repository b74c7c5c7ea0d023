import { CLEAN_SITE, type CleanSite, canonicalTag, metaTag, titleTag } from './clean-site'
import { pngBytes } from './good-site'
import { all, GUIDE, imageTag, isArticle, isGuide, NEWS, nameAt, onOrigin, page, put, putAll, withBody } from './seeds'

/** One fault that somebody could make in the clean site, and what is to be said of it. */
export type SeededFault = {
  make(site: CleanSite): void
  /** Checks that find it: all of these, and of errors and warnings no other. */
  finds: readonly string[]
  /** How many errors, warnings and notes it may be, where it is more than one for each check: a fault on many pages. */
  findings?: number
  /** How many causes it is, where it is not one. */
  causes?: number
  /** A person has to decide: the question is asked, and nothing is written. */
  asks?: string
  /** What the first page is to say then, tag by tag; null: the tag goes. */
  writes?: Readonly<Record<string, string | null>>
}

/**
 * Faults as people who build sites make them, one at a time. Each is one thing that somebody did, on one page, in a section's
 * template, in the layout or in a file of the site.
 */
export const SEEDED_FAULTS: Readonly<Record<string, SeededFault>> = {
  // Addresses
  'share image on the staging host': {
    make: putAll((one) => imageTag(one, (url) => url.replace('https://', 'https://staging.'))),
    finds: ['address-staging'],
    writes: { 'og:image': 'https://lanterns.example/img/home.png' },
    findings: 25,
  },
  'share image on a branch preview': {
    make: put(GUIDE, {
      'og:image': metaTag('og:image', 'https://deploy-preview-7--lanterns.example.net/img/guides-trim-a-wick.png'),
    }),
    finds: ['address-staging'],
  },
  'canonical, og:url and og:image left on another origin': {
    make: putAll(onOrigin('https://lanterns-old.example/')),
    finds: ['address-staging'],
    writes: { canonical: '{page}', 'og:url': '{page}', 'og:image': 'https://lanterns.example/img/home.png' },
    findings: 50,
  },
  'canonical, og:url and og:image left on the test host': {
    make: putAll(onOrigin('https://test.lanterns.example/')),
    finds: ['address-staging'],
    findings: 50,
  },
  'share image with the origin twice': {
    make: putAll((one) => imageTag(one, (url) => `https://lanterns.example${url}`)),
    finds: ['address-staging'],
    writes: { 'og:image': 'https://lanterns.example/img/home.png' },
    findings: 25,
  },
  'undefined in og:url': {
    make: put(GUIDE, { 'og:url': metaTag('og:url', `${CLEAN_SITE}undefined/trim-a-wick/`) }),
    finds: ['address-staging'],
    writes: { 'og:url': '{page}' },
  },
  'undefined in front of a share image': {
    make: put(GUIDE, { 'og:image': metaTag('og:image', 'undefined/img/guides-trim-a-wick.png') }),
    finds: ['address-staging'],
    writes: { 'og:image': 'https://lanterns.example/img/guides-trim-a-wick.png' },
  },
  'og:url with null in its path': {
    make: put(GUIDE, { 'og:url': metaTag('og:url', `${CLEAN_SITE}guides/null/`) }),
    finds: ['address-staging'],
  },
  'share image inline as data': {
    make: put(GUIDE, { 'og:image': metaTag('og:image', 'data:image/png;base64,iVBORw0KGgo=') }),
    finds: ['image-unreachable'],
  },
  'canonical and og:url of one page name its section': {
    make: put(GUIDE, {
      canonical: canonicalTag(`${CLEAN_SITE}guides/`),
      'og:url': metaTag('og:url', `${CLEAN_SITE}guides/`),
    }),
    finds: ['address-differs'],
    asks: 'which page is meant to be shared and found?',
  },
  'canonical and og:url of all guides lead nowhere': {
    make: putAll(
      (one) => ({
        canonical: canonicalTag(one.url.replace('/guides/', '/guide/')),
        'og:url': metaTag('og:url', one.url.replace('/guides/', '/guide/')),
      }),
      isGuide,
    ),
    finds: ['address-dead'],
    findings: 8,
  },
  'canonical and og:url by http on the whole site': {
    make: putAll((one) => ({
      canonical: canonicalTag(one.url.replace('https:', 'http:')),
      'og:url': metaTag('og:url', one.url.replace('https:', 'http:')),
    })),
    finds: ['address-insecure'],
    writes: { canonical: '{page}', 'og:url': '{page}' },
    findings: 25,
  },
  'og:url of the section on all articles': {
    make: putAll(() => ({ 'og:url': metaTag('og:url', `${CLEAN_SITE}news/`) }), isArticle),
    finds: ['address-differs'],
    writes: { 'og:url': '{page}' },
    findings: 5,
  },
  'og:url relative': {
    make: put(GUIDE, { 'og:url': metaTag('og:url', '/guides/trim-a-wick/') }),
    finds: ['address-relative'],
  },
  'og:url missing': { make: put(GUIDE, { 'og:url': null }), finds: ['og-url-missing'] },
  'canonical missing from the layout of the news': {
    make: putAll(() => ({ canonical: null }), isArticle),
    finds: ['canonical-missing'],
    findings: 5,
  },
  // Site and access
  'robots.txt closes the images': {
    make: (site) => {
      site.robots = `User-agent: *\nDisallow: /img/\n\nSitemap: ${CLEAN_SITE}sitemap.xml\n`
    },
    finds: ['image-unreachable'],
    findings: 25,
  },
  'robots.txt closes the whole site': {
    make: (site) => {
      site.robots = `User-agent: *\nDisallow: /\n\nSitemap: ${CLEAN_SITE}sitemap.xml\n`
    },
    finds: ['crawler-blocked'],
    findings: 25,
  },
  'robots.txt closes the news': {
    make: (site) => {
      site.robots = `User-agent: *\nDisallow: /news/\n\nSitemap: ${CLEAN_SITE}sitemap.xml\n`
    },
    finds: ['crawler-blocked'],
    findings: 6,
  },
  'linked icon that is not there': {
    make: putAll(() => ({ icon: '<link rel="icon" href="/icon.svg">' })),
    finds: ['favicon-missing'],
  },
  'no icon at all': {
    make: (site) => {
      delete site.files['favicon.ico']
      putAll(() => ({ icon: null }))(site)
    },
    finds: ['favicon-missing'],
  },
  'one dead entry in the sitemap': {
    make: (site) => {
      site.sitemap.push(`${CLEAN_SITE}guides/patch-a-bellows/`)
    },
    finds: ['sitemap-dead-entry'],
  },
  'one page not in the sitemap': {
    make: (site) => {
      site.sitemap = site.sitemap.filter((url) => !url.endsWith(NEWS))
    },
    finds: ['sitemap-lacks-page'],
  },
  'sitemap of the staging host in robots.txt': {
    make: (site) => {
      site.robots = site.robots.replace('https://', 'https://staging.')
    },
    finds: ['sitemap-missing'],
  },
  'noindex left on a page': {
    make: put(GUIDE, { robots: metaTag('robots', 'noindex') }),
    finds: ['page-noindex', 'sitemap-lists-hidden'],
    asks: 'is the page meant to be found?',
  },
  'noindex left on the whole site': {
    make: putAll(() => ({ robots: metaTag('robots', 'noindex, nofollow') })),
    finds: ['page-noindex', 'sitemap-lists-hidden'],
    asks: 'is the page meant to be found?',
    findings: 26,
  },
  'a link to a page that is not there': {
    make: withBody(GUIDE, (body) =>
      body.replace('</main>', '<p><a href="/guides/patch-a-bellows/">More</a></p></main>'),
    ),
    finds: ['page-unreachable'],
  },
  'hreflang that leads nowhere': {
    make: put('about/', { 'hreflang de': `<link rel="alternate" hreflang="de" href="${CLEAN_SITE}de/ueber/">` }),
    finds: ['alternate-broken'],
    causes: 1,
  },
  'a refresh left on a page with content': {
    make: (site) => {
      put(GUIDE, { refresh: `<meta http-equiv="refresh" content="0; url=${CLEAN_SITE}guides/">` })(site)
      withBody(GUIDE, (body) =>
        body.replace('</main>', `<p>${'A wick that was cut straight burns with an even flame. '.repeat(6)}</p></main>`),
      )(site)
    },
    finds: ['page-redirected'],
  },
  // Texts
  'twitter:title of another page': {
    make: put(GUIDE, { 'twitter:title': metaTag('twitter:title', 'Store lamps over the summer') }),
    finds: ['twin-differs'],
    writes: { 'twitter:title': null },
  },
  'twitter:title of one page in the layout': {
    make: putAll(() => ({ 'twitter:title': metaTag('twitter:title', 'Lantern workshop on the river') })),
    finds: ['twin-differs'],
    findings: 24,
  },
  'twitter:image of another page': {
    make: put(GUIDE, { 'twitter:image': metaTag('twitter:image', `${CLEAN_SITE}img/guides-choose-an-oil.png`) }),
    finds: ['twin-differs'],
    writes: { 'twitter:image': null },
  },
  'a value without quotes, cut at its first space': {
    make: put(GUIDE, { 'og:title': '<meta property="og:title" content=Trim a wick so that it burns even>' }),
    finds: ['value-unquoted'],
    writes: { 'og:title': 'Trim a wick so that it burns even' },
  },
  'a description without quotes': {
    make: put(GUIDE, { description: '<meta name=description content=How to cut a wick>' }),
    finds: ['value-unquoted'],
  },
  'escaped markup in a description': {
    make: put(GUIDE, {
      'og:description': metaTag(
        'og:description',
        '<p>How to cut a wick square, and how far to raise it when it is lit.</p>',
      ),
    }),
    finds: ['text-double-escaped'],
    writes: { 'og:description': 'How to cut a wick square, and how far to raise it when it is lit.' },
  },
  'markup escaped twice in a title': {
    make: put(GUIDE, { 'og:title': metaTag('og:title', 'Trim a <em>wick</em> so that it burns even') }),
    finds: ['text-double-escaped'],
  },
  'a bidi override in a title': {
    make: put(GUIDE, { 'og:title': metaTag('og:title', 'Trim a wick \u202Eneve snrub ti taht os') }),
    finds: ['text-garbled'],
  },
  'a zero-width space inside a word': {
    make: put(GUIDE, { title: titleTag('Trim a wi\u200Bck so that it burns even – Quay Lanterns') }),
    finds: ['text-garbled'],
    writes: { title: 'Trim a wick so that it burns even – Quay Lanterns' },
  },
  'UTF-8 read as another encoding, on a whole page': {
    make: put('de/about/', {
      title: titleTag('Wer die Werkstatt fÃ¼hrt – Laternen am Kai'),
      'og:title': metaTag('og:title', 'Wer die Werkstatt fÃ¼hrt'),
      description: metaTag(
        'description',
        'Elf Freiwillige fÃ¼hren die Laternenwerkstatt, und diese Seite sagt, wer sie sind.',
      ),
      'og:description': metaTag(
        'og:description',
        'Elf Freiwillige fÃ¼hren die Laternenwerkstatt, und diese Seite sagt, wer sie sind.',
      ),
    }),
    finds: ['text-garbled'],
  },
  'a date in the future': {
    make: put(NEWS, { 'article:published_time': metaTag('article:published_time', '2062-03-12T09:00:00+00:00') }),
    finds: ['og-type-fields'],
  },
  'a date in words': {
    make: put(NEWS, { 'article:published_time': metaTag('article:published_time', '12 March 2026') }),
    finds: ['og-type-fields'],
  },
  'authors joined by commas': {
    make: put(NEWS, { 'article:author': metaTag('article:author', 'Ines Marlow, Tom Aldery, Ruth Venn') }),
    finds: ['og-type-fields'],
  },
  'og:locale missing beside hreflang': {
    make: put('de/about/', { 'og:locale': null }),
    finds: ['locale-differs'],
    writes: { 'og:locale': 'de_DE' },
  },
  'og:locale of another language': {
    make: put('de/about/', { 'og:locale': metaTag('og:locale', 'en_GB') }),
    finds: ['locale-differs'],
    writes: { 'og:locale': 'de_DE' },
  },
  'an unfilled %s in a title': {
    make: put(GUIDE, { title: titleTag('%s – Quay Lanterns') }),
    finds: ['title-placeholder'],
  },
  'a starter’s word as the title of all guides, none with a heading': {
    make: (site) => {
      for (const { path } of all(site).filter((one) => isGuide(one) && one.path !== 'guides/')) {
        put(path, { title: titleTag('Document – Quay Lanterns'), 'og:title': metaTag('og:title', 'Document') })(site)
        withBody(path, (body) => body.replace(/<h1>.*?<\/h1>/, ''))(site)
      }
    },
    finds: ['title-placeholder'],
    findings: 7,
  },
  'undefined as og:title': {
    make: put(GUIDE, { 'og:title': metaTag('og:title', 'undefined') }),
    finds: ['title-placeholder'],
    writes: { 'og:title': 'Trim a wick so that it burns even' },
  },
  'an expression left in the layout': {
    make: putAll(() => ({ 'og:title': metaTag('og:title', '{{ page.title }}') })),
    finds: ['title-placeholder'],
    findings: 25,
  },
  'an object in a description': {
    make: put(GUIDE, { description: metaTag('description', '[object Object]') }),
    finds: ['description-placeholder'],
  },
  'the generator as the site’s name': {
    make: putAll(() => ({
      generator: metaTag('generator', 'Lampwright 4.2.1'),
      'og:site_name': metaTag('og:site_name', 'Lampwright'),
    })),
    finds: ['title-placeholder'],
    findings: 25,
  },
  'the starter’s name in every title': {
    make: putAll((one) => ({
      title: titleTag(`${one.name} | My Site`),
      'og:site_name': null,
    })),
    finds: ['title-placeholder', 'site-name-missing'],
    findings: 50,
    causes: 3,
  },
  'a description that only repeats the title': {
    make: put(GUIDE, {
      description: metaTag('description', 'Trim a wick so that it burns even – Quay Lanterns'),
      'og:description': metaTag('og:description', 'Trim a wick so that it burns even – Quay Lanterns'),
    }),
    finds: ['description-thin'],
  },
  'a text in another language than html lang': {
    make: (site) => {
      page(site, 'de/about/').lang = 'en'
      put('de/about/', { 'og:locale': metaTag('og:locale', 'en_GB') })(site)
    },
    finds: ['language-differs'],
    writes: { 'html lang': 'de', 'og:locale': 'de_DE' },
  },
  'description and og:description both missing': {
    make: put(GUIDE, { description: null, 'og:description': null }),
    finds: ['description-missing'],
  },
  'description and og:description missing from a whole section': {
    make: putAll(() => ({ description: null, 'og:description': null }), isGuide),
    finds: ['description-missing'],
    findings: 8,
  },
  'og:description missing': { make: put(GUIDE, { 'og:description': null }), finds: ['og-description-missing'] },
  'two pages with one title': {
    make: nameAt('guides/store-for-summer/', 'Trim a wick so that it burns even'),
    finds: ['title-duplicate'],
  },
  'two pages with one title but for a no-break space': {
    make: nameAt('guides/store-for-summer/', 'Trim a\u00A0wick so that it burns even'),
    finds: ['title-duplicate'],
  },
  'one description on all guides': {
    make: putAll(
      () => ({
        description: metaTag('description', 'Guides to each part of a storm lantern, ordered by how often it breaks.'),
        'og:description': metaTag(
          'og:description',
          'Guides to each part of a storm lantern, ordered by how often it breaks.',
        ),
      }),
      isGuide,
    ),
    finds: ['description-duplicate'],
  },
  'title missing': { make: put(GUIDE, { title: null }), finds: ['title-missing'] },
  'a description that was copied and left': {
    make: put(GUIDE, {
      description: metaTag('description', 'Lorem ipsum dolor sit amet, consectetur adipiscing elit, sed do eiusmod.'),
      'og:description': metaTag(
        'og:description',
        'Lorem ipsum dolor sit amet, consectetur adipiscing elit, sed do eiusmod.',
      ),
    }),
    finds: ['description-placeholder'],
  },
  'og:title missing from the layout': {
    make: putAll(() => ({ 'og:title': null })),
    finds: ['og-title-missing'],
    findings: 25,
  },
  'a title with nothing behind its separator': {
    make: put(GUIDE, { title: titleTag('Trim a wick so that it burns even –') }),
    finds: ['title-placeholder'],
  },
  'the site’s name as the whole title of every page': {
    make: putAll(({ path, lang }) =>
      path === '' || path === 'de/' ? {} : { title: titleTag(lang === 'de' ? 'Laternen am Kai' : 'Quay Lanterns') },
    ),
    finds: ['title-placeholder', 'title-short'],
    findings: 44,
    causes: 2,
  },
  'a day that is in no calendar': {
    make: put(NEWS, { 'article:published_time': metaTag('article:published_time', '2026-02-30T09:00:00+00:00') }),
    finds: ['og-type-fields'],
  },
  // Tags
  'a quote that is not closed': {
    make: put(GUIDE, { 'og:title': '<meta property="og:title" content="Trim a wick>' }),
    finds: ['value-unquoted'],
  },
  'two heads': {
    make: put(GUIDE, {
      'og:description': `${metaTag('og:description', 'How to cut a wick square, how far to raise it, and what a flame looks like.')}\n</head>\n<head>`,
    }),
    finds: ['tag-outside-head'],
  },
  'a div in the head': {
    make: put(GUIDE, { canonical: `<div></div>${canonicalTag(`${CLEAN_SITE}${GUIDE}`)}` }),
    finds: ['tag-outside-head'],
  },
  'og tags under name': {
    make: putAll((one) => ({ 'og:title': one.head.get('og:title')!.replace('property=', 'name=') })),
    finds: ['tag-attribute'],
    findings: 25,
  },
  'a misspelled key': {
    make: put(GUIDE, {
      'og:description': metaTag('og:desciption', 'How to cut a wick square, and how far to raise it.'),
    }),
    finds: ['tag-misspelled'],
  },
  'the same tag twice': {
    make: put(GUIDE, {
      'og:title': `${metaTag('og:title', 'Trim a wick so that it burns even')}\n${metaTag('og:title', 'Quay Lanterns')}`,
    }),
    finds: ['tag-repeated'],
  },
  'a card that is none': {
    make: putAll(() => ({ 'twitter:card': metaTag('twitter:card', 'large') })),
    finds: ['card-unknown'],
    findings: 25,
  },
  'no twitter:card in the layout': {
    make: putAll(() => ({ 'twitter:card': null })),
    finds: ['card-missing'],
    findings: 25,
  },
  'an account as URL': {
    make: putAll(() => ({ 'twitter:site': metaTag('twitter:site', 'https://social.example/quaylanterns') })),
    finds: ['account-malformed'],
    findings: 25,
  },
  'no charset': { make: put(GUIDE, { charset: null }), finds: ['charset-late'] },
  'no lang': {
    make: (site) => {
      for (const one of all(site)) one.lang = ''
    },
    finds: ['language-missing'],
    findings: 25,
  },
  // Images
  'a declared width with its unit': {
    make: put(GUIDE, { 'og:image:width': metaTag('og:image:width', '1200px') }),
    finds: ['image-size-mismatch'],
    writes: { 'og:image:width': '1200' },
  },
  'a declared size that is another': {
    make: put(GUIDE, { 'og:image:width': metaTag('og:image:width', '600') }),
    finds: ['image-size-mismatch'],
    writes: { 'og:image:width': '1200' },
  },
  'a share image that is not there': {
    make: (site) => {
      delete site.files['img/guides-trim-a-wick.png']
    },
    finds: ['image-unreachable'],
  },
  'a share image that is an error page': {
    make: (site) => {
      site.files['img/guides-trim-a-wick.png'] = '<!doctype html><title>Not found</title>'
    },
    finds: ['image-not-image'],
  },
  'a share image that is too small': {
    make: (site) => {
      site.files['img/guides-trim-a-wick.png'] = pngBytes(150, 150, 3_000)
      put(GUIDE, {
        'og:image:width': metaTag('og:image:width', '150'),
        'og:image:height': metaTag('og:image:height', '150'),
      })(site)
    },
    finds: ['image-below-minimum'],
  },
  'a share image that is too heavy': {
    make: (site) => {
      site.files['img/guides-trim-a-wick.png'] = pngBytes(1200, 630, 700_000)
    },
    finds: ['image-heavy'],
  },
  'a relative share image': {
    make: putAll((one) => imageTag(one, (url) => url.replace(CLEAN_SITE, '/'))),
    finds: ['image-relative'],
    findings: 25,
  },
  'no share image': {
    make: put(GUIDE, { 'og:image': null, 'og:image:width': null, 'og:image:height': null, 'og:image:alt': null }),
    finds: ['og-image-missing'],
  },
  'an alternative text that is the name of a file': {
    make: put(GUIDE, { 'og:image:alt': metaTag('og:image:alt', 'guides-trim-a-wick.png') }),
    finds: ['image-alt-missing'],
  },
  'no alternative texts in the layout': {
    make: putAll(() => ({ 'og:image:alt': null })),
    finds: ['image-alt-missing'],
    findings: 25,
  },
  'one image for the whole site': {
    make: (site) => putAll(() => ({ 'og:image': metaTag('og:image', `${CLEAN_SITE}img/home.png`) }))(site),
    finds: ['image-shared'],
  },
  // Rich data
  'one JSON-LD that does not parse': {
    make: (site) => {
      const one = page(site, NEWS)
      one.jsonLd = `${JSON.stringify(one.jsonLd).slice(0, -1)},}`
    },
    finds: ['json-ld-invalid'],
  },
  'the JSON-LD of all articles does not parse': {
    make: (site) => {
      for (const one of all(site).filter(isArticle)) one.jsonLd = `${JSON.stringify(one.jsonLd).slice(0, -1)},}`
    },
    finds: ['json-ld-invalid'],
    findings: 5,
  },
  'articles without author and date': {
    make: (site) => {
      for (const one of all(site).filter(isArticle)) {
        one.jsonLd = null
        put(one.path, { author: null, 'article:published_time': null })(site)
      }
    },
    finds: ['rich-fields-missing'],
  },
  'a product without a price': {
    make: put('shop/storm-lamp/', { 'product:price:amount': null }),
    finds: ['rich-fields-missing'],
  },
  'a share link for another page': {
    make: withBody(GUIDE, (body) =>
      body.replace(
        '</main>',
        `<a href="https://share.example/?u=${encodeURIComponent(`${CLEAN_SITE}guides/choose-an-oil/`)}">Share</a></main>`,
      ),
    ),
    finds: ['share-link-differs'],
  },
  'an og:type that is none': {
    make: putAll(() => ({ 'og:type': metaTag('og:type', 'webpage') }), isGuide),
    finds: ['og-type-unknown'],
    findings: 8,
  },
  'an empty og:description in a section’s template': {
    make: putAll(() => ({ 'og:description': metaTag('og:description', '') }), isGuide),
    finds: ['og-description-missing'],
    findings: 8,
  },
  'two canonicals': {
    make: put(GUIDE, { canonical2: canonicalTag(`${CLEAN_SITE}guides/`) }),
    finds: ['tag-repeated'],
    asks: 'which of the two canonicals is meant?',
  },
  'og:type missing on the first page of a section of articles': {
    make: put('news/', { 'og:type': null }),
    finds: ['og-type-missing'],
    writes: { 'og:type': 'website' },
  },
  'html lang wrong beside a right og:locale': {
    make: (site) => {
      page(site, 'de/about/').lang = 'en'
    },
    finds: ['language-differs'],
    writes: { 'html lang': 'de' },
  },
  'canonical and og:url of a series name its first page': {
    make: (site) => {
      for (const number of [2, 3, 4]) {
        const first = page(site, 'news/')
        const path = `news/page/${number}/`
        const name = `News from the benches, page ${number}`
        const head = new Map(first.head)
        head.set('title', titleTag(`${name} – Quay Lanterns`)).set('og:title', metaTag('og:title', name))
        const sentence = `Older news from the boat house, page ${number}: what was mended and found in the years before.`
        head
          .set('description', metaTag('description', sentence))
          .set('og:description', metaTag('og:description', sentence))
        site.pages.set(path, { ...first, path, url: `${CLEAN_SITE}${path}`, head })
        site.sitemap.push(`${CLEAN_SITE}${path}`)
        first.body += `<a href="/${path}">${number}</a>`
      }
    },
    finds: ['address-differs'],
    findings: 3,
    asks: 'which page is meant to be shared and found?',
  },
  'the site’s name twice in four titles': {
    make: putAll(
      ({ name }) => ({ title: titleTag(`${name} – Quay Lanterns – Quay Lanterns`) }),
      ({ path }) => path.startsWith('people/'),
    ),
    finds: ['title-pattern-varies'],
    writes: { title: 'The people at the benches – Quay Lanterns' },
  },
  'the site’s name as a URL': {
    make: putAll(() => ({ 'og:site_name': metaTag('og:site_name', 'lanterns.example') })),
    finds: ['site-name-is-address'],
    findings: 25,
    causes: 2,
  },
  'one page with another site name': {
    make: put(GUIDE, { 'og:site_name': metaTag('og:site_name', 'Quay Lamps') }),
    finds: ['site-name-varies'],
    writes: { 'og:site_name': 'Quay Lanterns' },
  },
  'a page that nothing links to': {
    make: (site) => {
      for (const one of all(site))
        one.body = one.body.replaceAll(`<li><a href="/${NEWS}">The night market is lit by our lamps</a></li>`, '')
    },
    finds: ['page-orphan'],
  },
}
