import { describe, expect, test } from 'vitest'
import { parseRobots } from '../address'
import { surfaceOf, surfaces } from '../testing/places'
import { context, image, testPage } from '../testing/test-page'
import { cardOf } from './card'

// Written from the description of the places, not from the profiles: a profile that says something else is wrong.

const TAGS: Record<string, (value: string) => string> = {
  title: (value) => `<title>${value}</title>`,
  h1: (value) => `<h1>${value}</h1>`,
  'first-paragraph': (value) => `<p>${value} and long enough to be a paragraph</p>`,
  'content-image': (value) => `<img src="/${value}.jpg">`,
}
const tag = (key: string, value: string) =>
  TAGS[key]?.(value) ??
  (key === 'description'
    ? `<meta name="description" content="${value}">`
    : `<meta ${key.startsWith('og:') ? 'property' : 'name'}="${key}" content="${/image/.test(key) ? `https://site.example/${value}.jpg` : value}">`)

const isInBody = (key: string) => key === 'h1' || key === 'first-paragraph' || key === 'content-image'
const pageWith = (tags: [string, string][], more = '') => {
  const head = tags.filter(([key]) => !isInBody(key)).map(([key, value]) => tag(key, value))
  const body = tags.filter(([key]) => isInBody(key)).map(([key, value]) => tag(key, value))
  // Without a card kind or an og tag the microblog shows no card at all.
  return testPage(
    `<!doctype html><head>${head.join('')}<meta name="twitter:card" content="summary_large_image">${more}</head><body>${body.join('')}`,
  )
}

const TITLES: Record<string, string[]> = {
  'wide-feed': ['og:title', 'title', 'h1'],
  'feed-reply': ['og:title', 'title', 'h1'],
  microblog: ['twitter:title', 'og:title', 'title'],
  'work-feed': ['og:title', 'title'],
  'picture-board': ['og:title', 'title'],
  'team-chat': ['og:title', 'twitter:title', 'title'],
  'community-chat': ['og:title', 'twitter:title', 'title'],
  'phone-chat': ['og:title', 'title'],
  search: ['title', 'og:title', 'h1'],
  tab: ['title'],
}
const DESCRIPTIONS: Record<string, string[]> = {
  'wide-feed': ['og:description', 'description', 'first-paragraph'],
  microblog: ['twitter:description', 'og:description', 'description'],
  'work-feed': ['og:description', 'description'],
  'picture-board': ['og:description', 'description'],
  'team-chat': ['og:description', 'twitter:description', 'description'],
  'community-chat': ['og:description', 'twitter:description', 'description'],
  'phone-chat': ['og:description', 'description'],
  search: ['description', 'first-paragraph'],
}
const IMAGES: Record<string, string[]> = {
  'wide-feed': ['og:image', 'content-image'],
  'feed-reply': ['og:image', 'content-image'],
  microblog: ['twitter:image', 'twitter:image:src', 'og:image'],
  'work-feed': ['og:image', 'content-image'],
  'picture-board': ['og:image', 'content-image'],
  'team-chat': ['og:image', 'twitter:image'],
  'community-chat': ['og:image', 'twitter:image'],
  'phone-chat': ['og:image'],
}

const rungs = (table: Record<string, string[]>) =>
  Object.entries(table).flatMap(([id, keys]) => keys.map((key, at) => [id, key, at, keys] as const))
const outcomes = (ladder: { from: string; outcome: string }[]) =>
  ladder.map(({ from, outcome }) => `${from} ${outcome}`)

test('every surface is in the tables', () => {
  expect(Object.keys(TITLES)).toEqual(surfaces.map(({ id }) => id))
})

describe.each([
  ['title', TITLES],
  ['description', DESCRIPTIONS],
] as const)('the %s', (part, table) => {
  test.each(rungs(table))('%s takes %s when nothing before it is there', (id, key, at, keys) => {
    const page = pageWith(keys.slice(at).map((each) => [each, `from ${each}`]))
    const card = cardOf(page, surfaceOf(id)!, context())
    expect(card[part].from).toBe(key)
    expect(card[part].text).toContain(`from ${key}`)
    const expected = keys.map((each, index) => `${each} ${index < at ? 'absent' : index === at ? 'taken' : 'beaten'}`)
    expect(outcomes(card[part].ladder).filter((rung) => !rung.startsWith('address'))).toEqual(expected)
  })

  test.each(rungs(table).filter(([, key]) => key !== 'first-paragraph'))(
    '%s passes over an empty %s',
    (id, key, at, keys) => {
      const page = pageWith(keys.slice(at).map((each) => [each, each === key ? ' ' : `from ${each}`]))
      const { ladder } = cardOf(page, surfaceOf(id)!, context())[part]
      expect(outcomes(ladder)[at]).toBe(`${key} empty`)
    },
  )

  test.each(rungs(table).filter(([id]) => surfaceOf(id)!.readsBytes))(
    '%s sees no %s beyond what it reads',
    (id, key, _at, _keys) => {
      const page = pageWith([[key, 'too late']], `<style>${' '.repeat(0)}</style>`)
      const late = testPage(
        `<!doctype html><head><meta name="twitter:card" content="summary"><style>${'x'.repeat(1_100_000)}</style></head>`,
      )
      expect(cardOf(page, surfaceOf(id)!, context())[part].from).toBe(key)
      const html = `<!doctype html><head><style>${'x'.repeat(1_100_000)}</style>${isInBody(key) ? '</head><body>' : ''}${tag(key, 'too late')}`
      const { ladder } = cardOf(testPage(html), surfaceOf(id)!, context())[part]
      expect(outcomes(ladder)).toContain(`${key} beyond-bytes`)
      expect(cardOf(late, surfaceOf(id)!, context())[part].text).toBeNull()
    },
  )
})

describe('the picture', () => {
  const all = (size = {}) =>
    ['og:image', 'content-image', 'twitter:image', 'twitter:image:src'].map((key) =>
      image(`https://site.example/${key}.jpg`, size),
    )

  test.each(rungs(IMAGES))('%s takes %s when nothing before it is there', (id, key, at, keys) => {
    const page = pageWith(keys.slice(at).map((each) => [each, each]))
    const card = cardOf(page, surfaceOf(id)!, context(all()))
    expect(card.image.from).toBe(key)
    expect(card.image.url).toBe(`https://site.example/${key}.jpg`)
    const expected = keys.map((each, index) => `${each} ${index < at ? 'absent' : index === at ? 'taken' : 'beaten'}`)
    expect(outcomes(card.image.ladder)).toEqual(expected)
  })

  test.each(rungs(IMAGES))(
    '%s passes over a %s that is not answered, that is damaged, or that it refuses',
    (id, key, _at, _keys) => {
      const page = pageWith([[key, key]])
      const outcomeOf = (over: Parameters<typeof image>[1]) =>
        cardOf(page, surfaceOf(id)!, context([image(`https://site.example/${key}.jpg`, over)])).image.ladder.find(
          (rung) => rung.from === key,
        )?.outcome
      expect(outcomeOf({ errorCode: 'timeout', error: 'no answer', width: null, height: null })).toBe('unreachable')
      expect(outcomeOf({ errorCode: 'damaged', error: 'cut short', width: null, height: null })).toBe('refused')
      expect(outcomeOf({ format: 'svg' })).toBe('refused')
      expect(outcomeOf({ bytes: 25_000_000 })).toBe(surfaceOf(id)!.id === 'team-chat' ? 'taken' : 'refused')
    },
  )

  test.each(['og:image'])(
    'a repeated %s is offered in its order; the next is taken when the first is too small',
    (key) => {
      const page = pageWith([
        [key, 'small'],
        [key, 'large'],
      ])
      const images = [
        image('https://site.example/small.jpg', { width: 90, height: 90 }),
        image('https://site.example/large.jpg'),
      ]
      for (const id of ['wide-feed', 'feed-reply', 'picture-board', 'microblog']) {
        expect(cardOf(page, surfaceOf(id)!, context(images)).image.url).toBe('https://site.example/large.jpg')
      }
    },
  )
})

describe('the layout', () => {
  /** Card kind, width, height → layout, by surface. */
  const LAYOUTS: [string, string | null, number, number, string][] = [
    ['wide-feed', null, 600, 315, 'wide'],
    ['wide-feed', null, 599, 315, 'thumbnail'],
    ['wide-feed', null, 200, 200, 'thumbnail'],
    ['wide-feed', null, 199, 200, 'text'],
    ['feed-reply', null, 1200, 630, 'thumbnail'],
    ['feed-reply', null, 199, 630, 'text'],
    ['microblog', 'summary_large_image', 300, 157, 'wide'],
    ['microblog', 'summary_large_image', 299, 157, 'thumbnail'],
    ['microblog', 'summary_large_image', 143, 157, 'text'],
    ['microblog', 'summary', 1200, 630, 'thumbnail'],
    ['microblog', null, 1200, 630, 'thumbnail'],
    ['microblog', 'player', 1200, 630, 'wide'],
    ['microblog', 'app', 1200, 630, 'text'],
    ['work-feed', null, 401, 100, 'wide'],
    ['work-feed', null, 400, 400, 'thumbnail'],
    ['picture-board', null, 100, 200, 'natural'],
    ['picture-board', null, 99, 200, 'text'],
    ['team-chat', null, 50, 50, 'natural'],
    ['team-chat', 'summary_large_image', 1200, 630, 'natural'],
    ['team-chat', 'summary', 1200, 630, 'thumbnail'],
    ['community-chat', null, 1200, 630, 'thumbnail'],
    ['community-chat', 'summary', 1200, 630, 'thumbnail'],
    ['community-chat', 'summary_large_image', 1200, 630, 'wide'],
    ['phone-chat', null, 300, 75, 'wide'],
    ['phone-chat', null, 300, 74, 'thumbnail'],
    ['phone-chat', null, 299, 200, 'thumbnail'],
    ['search', null, 1200, 630, 'text'],
    ['tab', null, 1200, 630, 'text'],
  ]

  test.each(LAYOUTS)('%s with card kind %s and %d × %d is %s', (id, kind, width, height, layout) => {
    const card = kind ? `<meta name="twitter:card" content="${kind}">` : ''
    const page = testPage(`<head><title>Lamp</title>${tag('og:image', 'a')}${card}`)
    const context_ = context([image('https://site.example/a.jpg', { width, height })])
    expect(cardOf(page, surfaceOf(id)!, context_).layout).toBe(layout)
  })

  test('an upright picture is clipped on the picture board beyond 1 : 2.1, and only there shown at its own ratio', () => {
    const page = testPage(`<head><title>Lamp</title>${tag('og:image', 'a')}`)
    const tall = context([image('https://site.example/a.jpg', { width: 1000, height: 3000 })])
    expect(cardOf(page, surfaceOf('picture-board')!, tall).image.crop).toEqual({
      x: 0,
      y: 450,
      width: 1000,
      height: 2100,
    })
    const ideal = context([image('https://site.example/a.jpg', { width: 1000, height: 1500 })])
    expect(cardOf(page, surfaceOf('picture-board')!, ideal).image.crop).toEqual({
      x: 0,
      y: 0,
      width: 1000,
      height: 1500,
    })
    expect(cardOf(page, surfaceOf('team-chat')!, tall).image.crop).toEqual({ x: 0, y: 0, width: 1000, height: 3000 })
  })

  test('600 KB is what the phone chat takes, 5 MB the work network and the microblog, 8 MB the wide feed', () => {
    const page = testPage(`<head><title>Lamp</title>${tag('og:image', 'a')}`)
    const shows = (id: string, bytes: number) =>
      cardOf(page, surfaceOf(id)!, context([image('https://site.example/a.jpg', { bytes })])).image.url !== null
    for (const [id, most] of [
      ['phone-chat', 600_000],
      ['work-feed', 5_000_000],
      ['microblog', 5_000_000],
      ['wide-feed', 8_000_000],
      ['community-chat', 8_000_000],
      ['picture-board', 20_000_000],
    ] as const) {
      expect([id, shows(id, most), shows(id, most + 1)]).toEqual([id, true, false])
    }
  })
})

describe('what a place is kept from', () => {
  const page = testPage(`<head><title>Lamp</title>${tag('og:title', 'Lamp')}<meta name=robots content=noindex>`)
  test.each(surfaces.filter(({ token }) => token).map(({ id, token }) => [id, token!] as const))(
    '%s goes by %s in robots.txt, as it stands and not as launched',
    (id, token) => {
      const robots = parseRobots(`User-agent: ${token}\nDisallow: /`)
      const surface = surfaceOf(id)!
      const standing = cardOf(page, surface, context([], { robots }))
      expect([standing.layout, standing.title.from]).toEqual(['bare', 'address'])
      expect(standing.title.ladder[0]!.outcome).toBe('blocked')
      const launched = cardOf(page, surface, context([], { robots, view: 'launched' }))
      expect(launched.layout).toBe(id === 'search' ? 'not-listed' : 'text')
    },
  )
})

describe('fields of their own', () => {
  const rich = (id: string, html: string) => cardOf(testPage(html), surfaceOf(id)!, context()).rich
  const script = (value: unknown) => `<script type="application/ld+json">${JSON.stringify(value)}</script>`

  test.each([
    [
      'an article by its tags',
      '<meta property=og:type content=article><meta property=og:title content=Lamps><meta property=article:author content=Ada>',
      'article',
      ['headline', 'author'],
      ['date'],
    ],
    [
      'a product by its tags',
      '<meta property=og:type content=product><meta property=og:title content=Drill><meta property=product:price:amount content=9><meta property=product:price:currency content=EUR>',
      'product',
      ['name', 'price', 'currency'],
      ['availability'],
    ],
    [
      'a product by JSON-LD',
      script({
        '@type': 'Product',
        name: 'Drill',
        offers: { price: 9, priceCurrency: 'EUR', availability: 'https://schema.org/InStock' },
      }),
      'product',
      ['name', 'price', 'currency', 'availability'],
      [],
    ],
    [
      'a recipe in a graph',
      script({ '@graph': [{ '@type': 'Recipe', name: 'Glue', recipeIngredient: ['a', 'b'], recipeYield: 2 }] }),
      'recipe',
      ['name', 'ingredients', 'servings'],
      ['time'],
    ],
    ['a place', script({ '@type': 'LocalBusiness', name: 'Hall' }), 'place', ['name'], ['address or position']],
    [
      'a film',
      script({ '@type': 'Movie', name: 'Lamps', director: { name: 'Ada' } }),
      'film',
      ['name', 'director'],
      [],
    ],
    [
      'an app',
      script({ '@type': 'WebApplication', name: 'Finder', operatingSystem: 'any', offers: { price: 0 } }),
      'app',
      ['name', 'operating system', 'price'],
      [],
    ],
  ] as const)('%s', (_what, html, kind, fields, lacks) => {
    for (const id of ['picture-board', 'search']) {
      const found = rich(id, `<head><title>T</title>${html}`)
      expect([found?.kind, Object.keys(found?.fields ?? {}), found?.lacks]).toEqual([kind, fields, lacks])
    }
    expect(rich('wide-feed', `<head><title>T</title>${html}`)).toBeNull()
  })

  test('an organization without an address is no place; a page of no kind has none', () => {
    expect(rich('search', `<head>${script({ '@type': 'Organization', name: 'Hall' })}`)).toBeNull()
    expect(rich('search', '<head><meta property=og:type content=website>')).toBeNull()
  })

  test('the community chat shows the theme colour, and nothing that is none', () => {
    const color = (id: string, value: string) =>
      cardOf(testPage(`<head><title>T</title><meta name=theme-color content="${value}">`), surfaceOf(id)!, context())
        .themeColor
    expect(color('community-chat', '#0a7d4d')).toBe('#0a7d4d')
    expect(color('community-chat', 'red;background:url(x)')).toBeNull()
    expect(color('team-chat', '#0a7d4d')).toBeNull()
  })

  test('a count of characters cuts where lines would not', () => {
    const long = 'word '.repeat(200).trim()
    const page = testPage(`<head><meta property=og:title content="T"><meta property=og:description content="${long}">`)
    const { description } = cardOf(page, surfaceOf('community-chat')!, context())
    expect(description.cut).toBe(true)
    expect([...description.shown].length).toBeGreaterThan(330)
    expect([...description.shown].length).toBeLessThanOrEqual(350)
  })
})
