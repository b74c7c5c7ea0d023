import { CLEAN_SITE, type CleanSite, htmlOf, metaTag, titleTag } from './clean-site'
import { GUIDE, imageTag, NEWS, nameAt, page, put, putAll } from './seeds'

/** Things that look like one of the faults and are none: nothing is to be said of them. */
export const HARMLESS_TWINS: Readonly<Record<string, (site: CleanSite) => void>> = {
  'share images on a host of their own under the domain': (site) => {
    putAll((one) => imageTag(one, (url) => url.replace('https://', 'https://images.')))(site)
  },
  'a page about the word undefined': nameAt('guides/choose-an-oil/', 'What undefined means on a lamp card'),
  'a page about markup, with it in its heading': nameAt('guides/choose-an-oil/', 'Why <b>bold</b> stays on cards'),
  'a twitter:title in other words': put(GUIDE, {
    'twitter:title': metaTag('twitter:title', 'How to cut a lamp wick straight and even'),
  }),
  'a twitter:title with the site’s name': put(GUIDE, {
    'twitter:title': metaTag('twitter:title', 'Trim a wick so that it burns even – Quay Lanterns'),
  }),
  'a twitter:image that is the same file': put(GUIDE, {
    'twitter:image': metaTag('twitter:image', `${CLEAN_SITE}img/guides-trim-a-wick.png`),
  }),
  'a value of one word without quotes': put(GUIDE, {
    'twitter:card': '<meta name=twitter:card content=summary_large_image>',
  }),
  'attributes behind a value without quotes': put(GUIDE, {
    'twitter:card': '<meta name=twitter:card content=summary_large_image data-rh="true">',
  }),
  'one author with a comma in the name': put(NEWS, {
    'article:author': metaTag('article:author', 'Marlow, Ines'),
  }),
  'two authors in two tags': put(NEWS, {
    'article:author': `${metaTag('article:author', 'Ines Marlow')}\n${metaTag('article:author', 'Tom Aldery')}`,
  }),
  'a day of publication that is today': put(NEWS, {
    'article:published_time': metaTag('article:published_time', '2026-11-23T08:00:00+00:00'),
  }),
  'a day of expiry that is to come': put(NEWS, {
    'article:expiration_time': metaTag('article:expiration_time', '2062-03-12T09:00:00+00:00'),
  }),
  'a byte order mark in the place of a charset': (site) => {
    const one = page(site, GUIDE)
    one.head.delete('charset')
    const bytes = new TextEncoder().encode(`\uFEFF${htmlOf(one)}`)
    site.files[`${GUIDE}index.html`] = bytes
  },
  'a refresh of the page itself': put(GUIDE, {
    refresh: `<meta http-equiv="refresh" content="300; url=${CLEAN_SITE}${GUIDE}">`,
  }),
  'a zero-width joiner in a name': (site) => {
    const one = page(site, 'people/ruth-venn/')
    one.head.set('og:image:alt', metaTag('og:image:alt', 'Ruth Venn beside 👩‍🔧 and her lamp'))
  },
  'an entry of robots.txt for one bot that is no place': (site) => {
    site.robots = `User-agent: HungryBot\nDisallow: /\n\n${site.robots}`
  },
  'robots.txt that closes a folder nobody shares': (site) => {
    site.robots = site.robots.replace('Allow: /', 'Disallow: /drafts/')
  },
  'the generator beside the site’s own name': putAll(() => ({ generator: metaTag('generator', 'Lampwright 4.2.1') })),
  'an icon by its type and one for touch': putAll(() => ({
    icon: '<link rel="icon" href="/favicon.ico" sizes="32x32"><link rel="apple-touch-icon" href="/img/home.png">',
  })),
  'language twins with one untranslated title': (site) => {
    put('de/contact/', {
      title: titleTag('How to find and to ring us – Quay Lanterns'),
      'og:title': metaTag('og:title', 'How to find and to ring us'),
    })(site)
  },
  'an account for each language': (site) => {
    putAll(({ lang }) => ({
      'twitter:site': metaTag('twitter:site', lang === 'de' ? '@kailaternen' : '@quaylanterns'),
    }))(site)
  },
  'one word of another language in a text': put(GUIDE, {
    description: metaTag(
      'description',
      'Über wicks: how to cut a wick square, how far to raise it, and what a flame looks like.',
    ),
    'og:description': metaTag(
      'og:description',
      'Über wicks: how to cut a wick square, how far to raise it, and what a flame looks like.',
    ),
  }),
  'og:locale with another territory': putAll(({ lang }) =>
    lang === 'de' ? { 'og:locale': metaTag('og:locale', 'de_AT') } : {},
  ),
  'a heading that sets its words in spaces of another kind': (site) => {
    const one = page(site, GUIDE)
    one.body = one.body.replace('Trim a wick', 'Trim&nbsp;a wick')
  },
  'Index as the title of an index': (site) => {
    nameAt('guides/', 'Index of all guides to a lantern')(site)
  },
}
