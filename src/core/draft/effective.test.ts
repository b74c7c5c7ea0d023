import { describe, expect, test } from 'vitest'
import { image, testPage } from '../testing/test-page'
import type { DraftFields } from './draft'
import { effectiveEdits, type KnownDefaults, patternValues } from './effective'

const picture = image('https://site.example/default.png')
const made = (head: string, fields: DraftFields, defaults: Partial<KnownDefaults>) => {
  const page = testPage(`<head>${head}</head><body><h1>Heading</h1>`)
  const { edits, from } = effectiveEdits(
    { ...page, facts: page.facts! },
    '/guides/*',
    fields,
    { sections: {}, ...defaults },
    (url) => (url === picture.url ? picture : undefined),
  )
  return { edits: Object.fromEntries(edits), from: Object.fromEntries(from) }
}

describe('what a page is to say', () => {
  test('a default fills in where nothing is said, and nowhere else', () => {
    const defaults = { siteName: 'Brasswick', card: 'summary_large_image' }
    expect(made('<meta property="og:site_name" content="">', {}, defaults).edits).toEqual({
      'og:site_name': 'Brasswick',
      'twitter:card': 'summary_large_image',
    })
    expect(
      made('<meta property="og:site_name" content="Own"><meta name="twitter:card" content="app">', {}, defaults).edits,
    ).toEqual({})
  })

  test('the section’s default goes before the site’s', () => {
    const defaults = { card: 'summary', sections: { '/guides/*': { card: 'summary_large_image', type: 'article' } } }
    const { edits, from } = made('', {}, defaults)
    expect(edits).toEqual({ 'twitter:card': 'summary_large_image', 'og:type': 'article' })
    expect(from['twitter:card']).toBe('section')
  })

  test('a default picture comes with its size, for pages without any', () => {
    expect(made('', {}, { image: picture.url, imageAlt: 'The hall' }).edits).toEqual({
      'og:image': picture.url,
      'og:image:width': '1200',
      'og:image:height': '630',
      'og:image:alt': 'The hall',
    })
    expect(made('<meta name="twitter:image" content="/own.png">', {}, { image: picture.url }).edits).toEqual({})
  })

  test('a draft goes before a default', () => {
    const { edits, from } = made('', { card: 'summary' }, { card: 'summary_large_image' })
    expect(edits).toEqual({ 'twitter:card': 'summary' })
    expect(from['twitter:card']).toBe('draft')
  })

  test('a pattern makes the page’s title, a draft of the title fills it', () => {
    const defaults = { siteName: 'Brasswick', sections: { '/guides/*': { titlePattern: '{title} | {site}' } } }
    expect(made('<title>Old | Brasswick</title>', {}, defaults).edits).toMatchObject({ 'og:site_name': 'Brasswick' })
    expect(made('<title>Old</title>', {}, defaults).edits['title']).toBe('Old | Brasswick')
    expect(made('<title>Old</title>', { title: 'New' }, defaults).edits).toMatchObject({
      title: 'New | Brasswick',
      'og:title': 'New',
    })
    expect(made('<title>Old</title>', { 'title@search': 'Own' }, defaults).edits['title']).toBe('Own')
  })

  describe('a pattern of descriptions', () => {
    const PATTERN = '{description}[ By {author}.]1'
    const defaults = { sections: { '/guides/*': { descriptionPattern: PATTERN } } }
    const author = '<meta name="author" content="Ada">'

    test('makes the description and that of cards; twitter:description only where the page has one', () => {
      const { edits, from } = made(`<meta name="description" content="Old.">${author}`, {}, defaults)
      expect(edits).toEqual({ description: 'Old. By Ada.', 'og:description': 'Old. By Ada.' })
      expect(from['description']).toBe('pattern')
      const own = made(`<meta name="twitter:description" content="Else.">${author}`, { description: 'New.' }, defaults)
      expect(own.edits['twitter:description']).toBe('New. By Ada.')
    })

    test('a draft fills it; a draft of one place stays with that place', () => {
      const { edits, from } = made(author, { description: 'New.', 'description@search': 'Found.' }, defaults)
      expect(edits).toMatchObject({ description: 'Found.', 'og:description': 'New. By Ada.' })
      expect(from['description']).toBe('draft')
    })

    test('a group goes where the text would not fit, and a page without any text keeps what it says', () => {
      const long =
        'A table lamp can be made safe again in an evening, with a screwdriver, a new cord and a little patience. Here is what to look for before you begin, and what is better left to others who have the tools for it.'
      expect(made(`<meta name="description" content="${long}">${author}`, {}, defaults).edits['og:description']).toBe(
        long,
      )
      expect(made(author, {}, { sections: { '/guides/*': { descriptionPattern: '[{category}]' } } }).edits).toEqual({})
    })
  })

  test('a name that only the titles of a section carry stays beside a draft, and is no part of a pattern’s {title}', () => {
    const called = { site: null, sections: { '/guides/*': 'Journal' } }
    const page = '<title>Lampen – ein Anfang | Journal</title>'
    expect(made(page, { title: 'Kessel' }, { called }).edits).toMatchObject({
      'og:title': 'Kessel',
      title: 'Kessel | Journal',
    })
    const sections = { '/guides/*': { titlePattern: '{site}: {title}' } }
    expect(made(page, {}, { called, sections }).edits['title']).toBe('Journal: Lampen – ein Anfang')
  })

  test('a pattern that can’t be read holds for nothing', () => {
    expect(made('<title>Old</title>', {}, { sections: { '/guides/*': { titlePattern: '{titel}' } } }).edits).toEqual({})
  })

  test('what says it already is no edit, unless it is repeated', () => {
    expect(made('<meta name="twitter:card" content="summary">', { card: 'summary' }, {}).edits).toEqual({})
    const twice = '<meta name="twitter:card" content="summary"><meta name="twitter:card" content="app">'
    expect(made(twice, { card: 'summary' }, {}).edits).toEqual({ 'twitter:card': 'summary' })
  })
})

test('parts for a pattern are read off the page', () => {
  const page = testPage(
    '<title>Rewire a lamp | Brasswick</title><meta name="author" content="Ada"><meta property="article:published_time" content="2026-11-02T09:00:00Z"><meta property="article:section" content="Lights"><h1>Lamps</h1><p>A lamp is a simple thing.</p>',
  )
  expect(
    patternValues({ ...page, facts: page.facts!, url: 'https://site.example/guides/12-lamp-7' }, '/how-to/*', [
      'Brasswick',
    ]),
  ).toEqual({
    title: 'Rewire a lamp',
    heading: 'Lamps',
    section: 'How to',
    site: 'Brasswick',
    author: 'Ada',
    date: '2026-11-02',
    category: 'Lights',
    number: '7',
    description: 'A lamp is a simple thing.',
    paragraph: 'A lamp is a simple thing.',
  })
})

test('a date and an author that only JSON-LD says are parts for a pattern as well', () => {
  const article = '{"@type":"NewsArticle","author":{"name":"Ada"},"datePublished":"2026-11-02T09:00:00Z"}'
  const page = testPage(`<title>Lamp</title><script type="application/ld+json">${article}</script>`)
  expect(patternValues({ ...page, facts: page.facts! }, '/guides/*', [])).toMatchObject({
    author: 'Ada',
    date: '2026-11-02',
  })
})
