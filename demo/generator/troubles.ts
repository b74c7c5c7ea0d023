import type { Head } from './head'
import type { Picture } from './pictures'

/** One thing that is wrong on a page: what a visitor would see, and what the checks must say. */
export type Trouble = {
  /** File in the build. */
  file: string
  /** What is wrong, for the list of troubles. */
  what: string
  /** Changes the head of the right page into the wrong one. */
  edit: (head: Head, site: string) => void
  /** Ids of the page's findings, in the order of the alphabet. Nothing else may be found on it. */
  finds: string[]
  /** Share picture in place of the page's own. */
  picture?: Omit<Picture, 'motif' | 'palette'>
  /** The content has no picture either. */
  withoutContentPicture?: true
}

const DEFAULT_PICTURE = '/img/default.png'
const bySite = (site: string, path: string) => new URL(path, site).href

/** Gives the page the site's default picture. */
const shareDefault = (head: Head, site: string) => {
  head.set('og:image', bySite(site, DEFAULT_PICTURE)).set('og:image:alt', 'Brasswick Mending Hall')
}

const dropPicture = (head: Head) => {
  head.drop('og:image', 'og:image:')
}

const dropAll = (head: Head) => {
  head.drop('og:', 'twitter:', 'article:', 'description')
}

const FORGOTTEN = [
  'card-missing',
  'description-missing',
  'image-fallback',
  'og-image-missing',
  'og-title-missing',
  'og-type-missing',
  'og-url-missing',
  'site-name-missing',
]

const forgotten = (name: string): Trouble => ({
  file: `people/${name}.html`,
  what: 'The people were forgotten altogether: no description, no Open Graph, no card kind. One place takes the portrait.',
  edit: dropAll,
  finds: FORGOTTEN,
})

const sharesDefault = (name: string): Trouble => ({
  file: `tools/${name}.html`,
  what: 'Shares the default picture, though the page shows a good one of its own.',
  edit: shareDefault,
  finds: ['image-own-unused'],
})

export const troubles: Trouble[] = [
  {
    file: 'about.html',
    what: 'Title left at the template’s: og:title says “Home”.',
    edit: (head) => head.set('og:title', 'Home'),
    finds: ['title-placeholder'],
  },
  {
    file: 'guides/rewire-a-lamp.html',
    what: 'Theme and plugin both write og:title; og:description is empty, so one place shows the first paragraph.',
    edit: (head) =>
      head
        .set('og:description', '')
        .drop('description')
        .raw('theme', '<!-- from the theme -->')
        .meta('og:title', 'Lamp'),
    finds: ['description-missing', 'tag-repeated'],
  },
  {
    file: 'guides/sharpen-a-chisel.html',
    what: 'The picture’s address is mistyped, chisel.webp for chisels.webp: one place takes a picture of the content, the others none.',
    edit: (head, site) => head.set('og:image', bySite(site, '/img/chisel.webp')),
    finds: ['image-unreachable'],
  },
  {
    file: 'guides/oil-a-hinge.html',
    what: 'No image tag: one place takes the first picture of the content.',
    edit: dropPicture,
    finds: ['image-fallback', 'og-image-missing'],
  },
  {
    file: 'guides/wake-a-mantel-clock.html',
    what: 'Square picture: wide places crop nearly half of it away.',
    edit: (head) => head.set('og:image:width', '800').set('og:image:height', '800'),
    picture: { file: 'img/wake-a-mantel-clock.jpg', width: 800, height: 800, scale: 0.9 },
    finds: ['image-below-recommended', 'image-shape'],
  },
  {
    file: 'guides/free-a-zip.html',
    what: 'The picture’s address is relative.',
    edit: (head) => head.set('og:image', '../img/free-a-zip.jpg'),
    finds: ['image-relative'],
  },
  {
    file: 'guides/descale-a-kettle.html',
    what: 'og:url and the picture point at the machine that it was built on.',
    edit: (head) =>
      head
        .set('og:url', 'http://localhost:3000/guides/descale-a-kettle')
        .set('og:image', 'http://localhost:3000/img/descale-a-kettle.jpg'),
    finds: ['address-staging'],
  },
  {
    file: 'guides/revive-a-kitchen-radio.html',
    what: 'Card kind is a word that no place knows, so a fine wide picture becomes a stamp.',
    edit: (head) => head.set('twitter:card', 'large'),
    finds: ['card-unknown'],
  },
  ...['sewing-machine', 'orbital-sander', 'pasting-table'].map(sharesDefault),
  {
    file: 'tools/steam-cleaner.html',
    what: 'A forgotten page: no default reaches it, and it has no picture at all.',
    edit: dropPicture,
    withoutContentPicture: true,
    finds: ['og-image-missing'],
  },
  {
    file: 'tools/soldering-station.html',
    what: 'Declared 1200 × 630, is 600 × 315; and no alternative text.',
    edit: (head) => head.drop('og:image:alt'),
    picture: { file: 'img/soldering-station.jpg', width: 600, height: 315 },
    finds: ['image-alt-missing', 'image-below-recommended', 'image-size-mismatch'],
  },
  {
    file: 'tools/booking.html',
    what: 'Tags are written by a script, which link crawlers don’t run.',
    edit: (head) => {
      dropAll(head)
      head.drop('canonical', 'json-ld').set('title', 'Loading')
      head.raw('script', '<script src="/booking.js" defer></script>')
    },
    finds: [
      'canonical-missing',
      'card-missing',
      'description-missing',
      'og-image-missing',
      'og-title-missing',
      'og-type-missing',
      'og-url-missing',
      'site-name-missing',
      'tag-from-script',
      'title-short',
    ],
  },
  {
    file: 'workshops/lathe-night.html',
    what: 'A poster: wide places cut off the lettering above and below. Its declared size is wrong too.',
    edit: () => {},
    picture: {
      file: 'img/lathe-night.jpg',
      width: 1080,
      height: 1350,
      scale: 0.7,
      words: [
        { text: 'Lathe night', x: 0.07, y: 0.13, size: 0.075 },
        { text: 'every Thursday, bring safety glasses', x: 0.07, y: 0.95, size: 0.035 },
      ],
    },
    finds: ['image-below-recommended', 'image-shape', 'image-size-mismatch'],
  },
  {
    file: 'workshops/chair-caning.html',
    what: 'A small picture: a stamp beside the text.',
    edit: (head) => head.set('og:image:width', '400').set('og:image:height', '210'),
    picture: { file: 'img/chair-caning.jpg', width: 400, height: 210 },
    finds: ['image-below-large'],
  },
  {
    file: 'workshops/bike-saturday.html',
    what: 'A banner with the mark at its left edge, lost in every square; card kind is small.',
    edit: (head) => head.set('og:image:width', '1500').set('og:image:height', '500').set('twitter:card', 'summary'),
    picture: {
      file: 'img/bike-saturday.jpg',
      width: 1500,
      height: 500,
      at: [0.82, 0.5],
      words: [{ text: 'Brasswick', x: 0.04, y: 0.56, size: 0.2 }],
    },
    finds: ['card-small', 'image-below-recommended', 'image-shape'],
  },
  {
    file: 'workshops/clock-hour.html',
    what: 'Left noindex from staging.',
    edit: (head) => head.meta('robots', 'noindex, nofollow'),
    finds: ['page-noindex'],
  },
  ...['ada-quillfeather', 'benno-tarrow', 'mirelle-oakes', 'tobias-fenn', 'ines-marlowe'].map(forgotten),
  {
    file: 'news/a-thousand-repairs.html',
    what: 'The photograph as it came from the camera: several megabytes.',
    edit: (head) => head.set('og:image:width', '2400').set('og:image:height', '1260'),
    picture: { file: 'img/a-thousand-repairs.jpg', width: 2400, height: 1260, quality: 97, grain: 0.62 },
    finds: ['image-heavy'],
  },
  {
    file: 'news/winter-hours.html',
    what: 'canonical names another page; the share button shares another address, and names a wrong account.',
    edit: (head, site) => head.set('canonical', bySite(site, '/visit')),
    finds: ['address-differs', 'share-link-differs'],
  },
  {
    file: 'news/new-page-3.html',
    what: 'Never given a title or an address of its own; account written as an address, site name as a host, type unknown.',
    edit: (head, site) =>
      head.set('twitter:site', `${site}about`).set('og:site_name', 'brasswick.example').set('og:type', 'newspost'),
    finds: ['account-malformed', 'address-placeholder', 'og-type-unknown', 'site-name-is-address', 'title-placeholder'],
  },
  {
    file: 'news/lathe-appeal.html',
    what: 'robots.txt keeps the wide feed’s crawler out: as it stands, a bare address.',
    edit: () => {},
    finds: ['crawler-blocked'],
  },
]
