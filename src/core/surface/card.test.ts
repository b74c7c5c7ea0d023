import { describe, expect, test } from 'vitest'
import { parseRobots } from '../address'
import { search, wideFeed } from '../testing/places'
import { context, image, outcomes, testPage, URL_OF_PAGE } from '../testing/test-page'
import { cardOf, isKeptOut } from './card'
import { assumed } from './profile'
import { microblog } from './profiles/microblog'

describe('the title', () => {
  test.each([
    [
      'og:title first',
      '<title>T</title><meta property=og:title content=O>',
      'O',
      ['og:title taken', 'title beaten', 'h1 absent'],
    ],
    ['then title', '<title>T</title><body><h1>H</h1>', 'T', ['og:title absent', 'title taken', 'h1 beaten']],
    [
      'an empty tag counts as absent',
      '<meta property=og:title content=" "><title>T</title>',
      'T',
      ['og:title empty', 'title taken', 'h1 absent'],
    ],
    ['then the heading', '<title></title><body><h1>H</h1>', 'H', ['og:title absent', 'title empty', 'h1 taken']],
  ])('wide feed: %s', (_name, html, text, rungs) => {
    const { title } = cardOf(testPage(html), wideFeed, context())
    expect(title.text).toBe(text)
    expect(outcomes(title.ladder)).toEqual(rungs)
  })

  test('nothing at all: the part is there, and its ladder says why', () => {
    const { title } = cardOf(testPage(''), wideFeed, context())
    expect(title).toMatchObject({ text: null, from: null, shown: '', cut: false })
    expect(outcomes(title.ladder)).toEqual(['og:title absent', 'title absent', 'h1 absent'])
  })

  test('of repeated tags the first wins, and the other habit is told', () => {
    const html = '<meta property=og:title content=First>\n<meta name=og:title content=Last>'
    const { title } = cardOf(testPage(html), wideFeed, context())
    expect(title).toMatchObject({ text: 'First', line: 1, column: 1, ifLastWins: 'Last' })
    expect(outcomes(title.ladder).slice(0, 2)).toEqual(['og:title taken', 'og:title beaten'])
  })

  test('white space is collapsed and references are decoded', () => {
    const { title } = cardOf(testPage('<meta property=og:title content="  Lamp &amp;\n shade ">'), wideFeed, context())
    expect(title.text).toBe('Lamp & shade')
  })

  test('the microblog counts characters too: seventy, and the shorter limit wins', () => {
    const html = `<meta name=twitter:card content=summary_large_image><meta name=twitter:title content="${'i'.repeat(80)}">`
    const { title } = cardOf(testPage(html), microblog, context())
    expect(title.cut).toBe(true)
    expect(title.shown).toHaveLength(70)
  })
})

describe('the description', () => {
  const long = 'A sentence that goes on for longer than any single line of a card could possibly hold at its size.'
  const html = (title: string) =>
    `<meta property=og:title content="${title}"><meta property=og:description content="${long}">`

  test('wide feed: one line, while the title takes one', () => {
    const { description } = cardOf(testPage(html('Short')), wideFeed, context())
    expect(description.lines).toHaveLength(1)
    expect(description.cut).toBe(true)
    expect(long.startsWith(description.shown)).toBe(true)
  })

  test('wide feed: resolved but without room, when the title takes two', () => {
    const { title, description } = cardOf(testPage(html(`${'Long title '.repeat(7)}`)), wideFeed, context())
    expect(title.lines).toHaveLength(2)
    expect(description).toMatchObject({ text: long, shown: '', cut: false })
  })

  test('search: two lines on a desk, three on a phone', () => {
    const text = `${long} ${long} ${long}`
    const card = cardOf(testPage(`<title>T</title><meta name=description content="${text}">`), search, context())
    expect(card.description.lines).toHaveLength(2)
    expect(card.phone?.description.lines).toHaveLength(3)
  })
})

describe('the picture', () => {
  const og = (url: string) => `<meta property=og:image content="${new URL(url, URL_OF_PAGE)}">`
  const large = image('https://site.example/a.jpg')

  test('large from 600 × 315, centred and cropped to 1.91:1', () => {
    const card = cardOf(testPage(og('/a.jpg')), wideFeed, context([large]))
    expect(card.layout).toBe('wide')
    expect(card.image).toMatchObject({
      url: large.url,
      from: 'og:image',
      crop: { x: 0, y: 1, width: 1200, height: 628 },
    })
  })

  test.each([
    [600, 315, 'wide'],
    [599, 315, 'thumbnail'],
    [600, 314, 'thumbnail'],
    [200, 200, 'thumbnail'],
    [199, 200, 'text'],
  ] as const)('wide feed: %i × %i is %s', (width, height, layout) => {
    expect(cardOf(testPage(og('/a.jpg')), wideFeed, context([{ ...large, width, height }])).layout).toBe(layout)
  })

  test.each([
    ['not there', { errorCode: 'status', error: 'It answered 404.' }, 'og:image unreachable'],
    ['no picture', { errorCode: 'not-image', error: 'no' }, 'og:image refused'],
    ['a drawing', { format: 'svg' }, 'og:image refused'],
    ['over 8 MB', { bytes: 8_000_001 }, 'og:image refused'],
    ['too small', { width: 100, height: 100 }, 'og:image too-small'],
  ] as const)('%s: the ladder goes on to the next og:image', (_name, fault, rung) => {
    const html = og('/bad.jpg') + og('/a.jpg')
    const card = cardOf(testPage(html), wideFeed, context([image('https://site.example/bad.jpg', fault), large]))
    expect(card.image.url).toBe(large.url)
    expect(outcomes(card.image.ladder).slice(0, 2)).toEqual([rung, 'og:image taken'])
  })

  test('then to the content, but only to what is large enough there', () => {
    const html = '<body><img src=/small.jpg><img src=/a.jpg>'
    const images = [image('https://site.example/small.jpg', { width: 199, height: 400 }), large]
    const card = cardOf(testPage(html), wideFeed, context(images))
    expect(card.image).toMatchObject({ url: large.url, from: 'content-image' })
    expect(outcomes(card.image.ladder)).toEqual(['og:image absent', 'content-image too-small', 'content-image taken'])
  })

  test('the microblog never takes one from the content', () => {
    const html = '<meta property=og:title content=T><body><img src=/a.jpg>'
    expect(cardOf(testPage(html), microblog, context([large])).image.url).toBeNull()
  })

  test('an address in part: each place goes by its own figure, and the ladder says so', () => {
    const page = testPage('<meta property=og:image content=/a.jpg><img src=/b.jpg>')
    const pictures = context([image('https://site.example/a.jpg'), image('https://site.example/b.jpg')])
    const wide = cardOf(page, wideFeed, pictures)
    expect(outcomes(wide.image.ladder)).toEqual(['og:image refused', 'content-image taken'])
    expect(wide.image.url).toBe('https://site.example/b.jpg')
    const completing = { ...wideFeed, picture: { ...wideFeed.picture!, completesAddresses: assumed(true) } }
    expect(cardOf(page, completing, pictures).image.url).toBe('https://site.example/a.jpg')
  })

  test('with og:image on http, the secure form is shown', () => {
    const html = `${og('http://site.example/a.jpg')}<meta property=og:image:secure_url content="https://site.example/a.jpg">`
    const card = cardOf(testPage(html), wideFeed, context([large]))
    expect(card.image).toMatchObject({ url: 'https://site.example/a.jpg', from: 'og:image:secure_url' })
    expect(outcomes(card.image.ladder)).toContain('og:image beaten')
  })

  test('one that was not looked at is taken on trust, at its declared size', () => {
    const html = `${og('https://cdn.example/a.jpg')}<meta property=og:image:width content=400><meta property=og:image:height content=400>`
    const card = cardOf(testPage(html), wideFeed, context())
    expect(card.layout).toBe('thumbnail')
    expect(card.image.crop).toEqual({ x: 0, y: 0, width: 400, height: 400 })
  })
})

describe('card kinds on the microblog', () => {
  const kind = (content: string | null) =>
    `${content === null ? '' : `<meta name=twitter:card content="${content}">`}<meta property=og:image content=https://site.example/a.jpg>`
  const layoutAt = (html: string, width: number, height: number) =>
    cardOf(testPage(html), microblog, context([image('https://site.example/a.jpg', { width, height })])).layout

  test.each([
    ['summary_large_image', 300, 157, 'wide'],
    ['summary_large_image', 299, 157, 'thumbnail'],
    ['summary_large_image', 143, 200, 'text'],
    ['summary', 1200, 630, 'thumbnail'],
    ['summary', 144, 144, 'thumbnail'],
    ['player', 1200, 630, 'wide'],
    ['app', 1200, 630, 'text'],
    ['large', 1200, 630, 'thumbnail'],
    [null, 1200, 630, 'thumbnail'],
  ] as const)('%s with %i × %i is %s', (content, width, height, layout) => {
    expect(layoutAt(kind(content), width, height)).toBe(layout)
  })

  test('without kind and without any og tag it is a bare link', () => {
    const card = cardOf(testPage('<title>Lamp</title>'), microblog, context())
    expect(card).toMatchObject({ layout: 'bare', title: { text: URL_OF_PAGE, from: 'address' }, siteLine: null })
    expect(outcomes(card.title.ladder)).toContain('title blocked')
  })

  test('a player says which of its fields it lacks', () => {
    const html = '<meta name=twitter:card content=player><meta name=twitter:player content=https://site.example/p>'
    expect(cardOf(testPage(html), microblog, context()).rich).toEqual({
      kind: 'player',
      fields: { 'twitter:player': 'https://site.example/p' },
      lacks: ['twitter:player:width', 'twitter:player:height'],
    })
  })
})

describe('kept out', () => {
  const robots = parseRobots('User-agent: facebookexternalhit\nDisallow: /guides/')
  const html = '<meta property=og:title content=Lamp><meta property=og:image content=https://site.example/a.jpg>'

  test('robots.txt makes a bare link of it, as it stands', () => {
    const card = cardOf(testPage(html), wideFeed, context([], { robots }))
    expect(card.layout).toBe('bare')
    expect(card.bareBecause).toContain('facebookexternalhit')
    expect(outcomes(card.title.ladder)).toEqual(['og:title blocked', 'title blocked', 'h1 blocked', 'address taken'])
    expect(outcomes(card.image.ladder)).toEqual(['og:image blocked', 'content-image blocked'])
  })

  test('as launched it does not count, and other crawlers are not touched', () => {
    expect(cardOf(testPage(html), wideFeed, context([], { robots, view: 'launched' })).layout).not.toBe('bare')
    expect(cardOf(testPage(html), microblog, context([], { robots })).layout).not.toBe('bare')
  })

  test('noindex takes it out of the list and touches no other card', () => {
    const page = testPage(`<meta name=robots content="noindex">${html}`)
    expect(cardOf(page, search, context()).layout).toBe('not-listed')
    expect(cardOf(page, wideFeed, context()).title.text).toBe('Lamp')
  })

  test.each([
    ['noindex', true],
    ['googlebot: noindex', true],
    ['otherbot: noindex', false],
    ['otherbot: nofollow, googlebot: none', true],
    ['index, follow', false],
    ['unavailable_after: 25 Jun 2027', false],
  ])('X-Robots-Tag: %s keeps it out: %s', (robotsHeader, expected) => {
    expect(isKeptOut(testPage('<title>T</title>', { robotsHeader }), 'Googlebot')).toBe(expected)
  })

  test('a page that can’t be read is a bare link everywhere', () => {
    const page = { ...testPage('', { status: 401 }), facts: null }
    const card = cardOf(page, search, context())
    expect(card).toMatchObject({
      layout: 'bare',
      bareBecause: 'It is behind a login.',
      phone: { title: { from: 'address' } },
    })
  })
})

describe('a byte budget', () => {
  const filler = (bytes: number) => `<!--${'x'.repeat(bytes - 7)}-->`
  const tag = '<meta property=og:title content=Late>'
  const budget = 1024 * 1024

  test('a tag that ends with the last byte is seen', () => {
    const html = filler(budget - tag.length) + tag
    expect(cardOf(testPage(html), wideFeed, context()).title.text).toBe('Late')
  })

  test('one that straddles the end is not, and the ladder says so', () => {
    const html = filler(budget - tag.length + 1) + tag
    expect(outcomes(cardOf(testPage(html), wideFeed, context()).title.ladder)[0]).toBe('og:title beyond-bytes')
  })
})

describe('site line, byline, favicon, labels', () => {
  test.each([
    [
      'the host of og:url on the same site',
      '<meta property=og:url content=https://www.site.example/x>',
      'site.example',
    ],
    ['another site’s og:url does not count', '<meta property=og:url content=https://other.example/x>', 'site.example'],
    ['without og:url, the address', '', 'site.example'],
  ])('%s', (_name, html, expected) => {
    expect(cardOf(testPage(html), wideFeed, context()).siteLine).toBe(expected)
  })

  test('search shows the name and the folders', () => {
    const html = '<meta property=og:site_name content="Good Site">'
    expect(cardOf(testPage(html), search, context()).siteLine).toBe('Good Site › guides')
  })

  test.each([
    ['<meta property=article:author content="https://site.example/people/ada%20q">', 'ada q'],
    ['<meta property=article:author content="Ada Q"><meta name=author content=B>', 'Ada Q'],
    ['<meta name=twitter:creator content=@ada>', '@ada'],
    ['', null],
  ])('byline of %s', (html, expected) => {
    expect(cardOf(testPage(html), wideFeed, context()).byline).toBe(expected)
  })

  test('the favicon is the one linked; /favicon.ico only when it was found', () => {
    expect(cardOf(testPage('<link rel="shortcut icon" href=/i.png>'), search, context()).favicon?.url).toBe(
      'https://site.example/i.png',
    )
    expect(cardOf(testPage(''), search, context()).favicon).toBeNull()
    const found = image('https://site.example/favicon.ico', { format: 'ico' })
    expect(cardOf(testPage(''), search, context([found])).favicon).toMatchObject({ from: 'favicon.ico' })
  })

  test('labels come in pairs', () => {
    const html =
      '<meta name=twitter:card content=summary><meta name=twitter:label1 content=Price><meta name=twitter:data1 content="3 a day"><meta name=twitter:label2 content=Alone>'
    expect(cardOf(testPage(html), microblog, context()).labels).toEqual([{ label: 'Price', data: '3 a day' }])
  })
})
