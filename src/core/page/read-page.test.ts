import { describe, expect, test } from 'vitest'
import { limits } from '../address'
import { decodeHtml } from './decode'
import { readPage } from './read-page'

const read = (html: string) => readPage(decodeHtml(new TextEncoder().encode(html), 'text/html; charset=utf-8'))
const facts = (html: string) => read(html).facts

describe('metas', () => {
  test('stand in document order with line and column at the tag', () => {
    const { metas } = facts(
      '<!doctype html>\n<head>\n  <meta charset="utf-8"><meta property="og:title" content="Lamp">',
    )
    expect(metas).toMatchObject([
      { key: 'charset', attribute: 'charset', value: 'utf-8', line: 3, column: 3, inHead: true },
      { key: 'og:title', attribute: 'property', value: 'Lamp', line: 3, column: 25, inHead: true },
    ])
  })

  test('a lone CR ends a line, CRLF ends one', () => {
    const { metas } = facts('<!doctype html>\r<head>\r\n<meta name=a content=b>')
    expect(metas[0]).toMatchObject({ line: 3, column: 1 })
  })

  test('one tag with several names gives one entry for each, in a fixed order', () => {
    const { metas } = facts('<meta property="og:image twitter:image" name=" Thumb " content=x>')
    expect(metas.map((meta) => [meta.attribute, meta.key])).toEqual([
      ['name', 'thumb'],
      ['property', 'og:image'],
      ['property', 'twitter:image'],
    ])
  })

  test('without content the value is null; with an empty one it is empty', () => {
    expect(facts('<meta name=a><meta name=b content>').metas.map((meta) => meta.value)).toEqual([null, ''])
  })

  test('references are decoded once and nothing else is touched', () => {
    expect(facts('<meta name=description content="  A &amp;amp; B\n &eacute; ">').metas[0]?.value).toBe(
      '  A &amp; B\n é ',
    )
  })

  test('after an element that closes the head they are in the body', () => {
    const { metas } = facts('<head><meta name=a content=1><div>oops</div><meta name=b content=2></head>')
    expect(metas.map((meta) => meta.inHead)).toEqual([true, false])
  })

  test('in a template, a comment or a script they do not count; in noscript they do', () => {
    const { metas } = facts(
      '<head><template><meta name=t content=1></template><!-- <meta name=c content=1> -->' +
        '<script>"<meta name=s content=1>"</script><noscript><meta name=n content=1></noscript>',
    )
    expect(metas.map((meta) => meta.key)).toEqual(['n'])
  })

  test('end bytes count the bytes as served, the mark included', () => {
    const tag = '<meta name=a content="é">'
    const html = `\uFEFF${tag}`
    const { metas } = readPage(decodeHtml(new TextEncoder().encode(html), null)).facts
    expect(metas[0]).toMatchObject({ line: 1, column: 1, endByte: 3 + tag.length + 1 })
  })
})

describe('slips of writing', () => {
  test.each([
    ['<meta name=a content=How to cut>', 'How', 'to cut'],
    ['<meta content=How to cut name=a>', 'How', 'to cut'],
    ['<meta name=a content=How data-x="1">', 'How', undefined],
    ['<meta name=a content=How to data-x=1 more>', 'How', 'to'],
    ['<meta name=a content="How" to cut>', 'How', undefined],
    ["<meta name=a content='How' to>", 'How', undefined],
    ['<meta name=a content= to=1>', 'to=1', undefined],
    ['<meta name=a content>', '', undefined],
  ])('%s has “%s”, cut off before “%s”', (html, value, cutOff) => {
    const [meta] = facts(html).metas
    expect([meta?.value, meta?.cutOff]).toEqual([value, cutOff])
  })

  test('a second head is told where it stands, in the head and after it', () => {
    expect(facts('<head><title>x</title>\n<head><meta name=a content=b>').headAgain).toEqual({ line: 2, column: 1 })
    expect(facts('<head></head>\n <head><meta name=a content=b></head>').headAgain).toEqual({ line: 2, column: 2 })
    expect(facts('<head><meta name=a content=b></head><body>')).not.toHaveProperty('headAgain')
  })

  test('a byte order mark is told', () => {
    expect(facts('\uFEFF<title>x</title>').hasByteOrderMark).toBe(true)
    expect(facts('<title>x</title>')).not.toHaveProperty('hasByteOrderMark')
  })
})

describe('texts', () => {
  test('of two titles the first counts, even when empty', () => {
    expect(facts('<title></title><title>Lamp</title>').title).toBe('')
  })

  test('no title is null; the title of a drawing is not the page’s', () => {
    expect(facts('<body><svg><title>A lamp</title></svg>').title).toBeNull()
  })

  test('white space is collapsed, a no-break space stays', () => {
    expect(facts('<title>\n  Rewire \t a\u00A0lamp </title>').title).toBe('Rewire a\u00A0lamp')
  })

  test.each([
    ['of nineteen characters', `<p>${'a'.repeat(19)}</p>`, null],
    ['of twenty characters', `<p>${'a'.repeat(20)}</p>`, 'a'.repeat(20)],
    ['in the navigation', `<nav><p>${'a'.repeat(30)}</p></nav>`, null],
    ['beside main', `<p>${'a'.repeat(30)}</p><main><p>${'b'.repeat(30)}</p></main>`, 'b'.repeat(30)],
    ['in the footer of an article', `<article><footer><p>${'a'.repeat(30)}</p></footer></article>`, null],
    ['with a style inside', `<p><style>p{color:red;margin:0;}</style>Unplug it</p>`, null],
  ])('a paragraph %s', (_name, html, expected) => {
    expect(facts(`<body>${html}`).firstParagraph).toBe(expected)
  })

  test('the first heading and where it stands', () => {
    const found = facts('<body>\n<h1>Rewire <em>a lamp</em></h1><h1>Second</h1>')
    expect(found.h1).toBe('Rewire a lamp')
    expect(found.at.h1).toMatchObject({ line: 2, column: 1 })
  })
})

describe('links and pictures', () => {
  test('rel is lower-case tokens; a link without rel is left out', () => {
    const { links, canonical } = facts('<link rel=" Canonical  Alternate" href=/a><link href=/b>')
    expect(links).toMatchObject([{ rel: 'canonical alternate', href: '/a' }])
    expect(canonical).toBe('/a')
  })

  test('content pictures keep their declared size; a lazy one its real source', () => {
    const { contentImages } = facts(
      '<body><img src=a.jpg width=800 height=50%><img src="data:image/gif;base64,AA" data-src=b.jpg>',
    )
    expect(contentImages).toMatchObject([
      { src: 'a.jpg', width: 800, height: null },
      { src: 'b.jpg', width: null },
    ])
  })

  test('addresses to follow come from a and area', () => {
    expect(read('<a href=/x rel=nofollow>x</a><map><area href=/y></map><a>none</a>').hrefs).toEqual(['/x', '/y'])
  })
})

describe('a page that only sends on', () => {
  test('is known by its refresh and its little text', () => {
    expect(read('<meta http-equiv=refresh content="0; URL=\'/new/\'"><p>This page has moved.').refreshTo).toBe('/new/')
  })

  test('a page with a text of its own is a page', () => {
    const text = 'word '.repeat(80)
    expect(read(`<meta http-equiv=refresh content="600; url=/new/"><p>${text}`).refreshTo).toBeNull()
  })

  test('a refresh without address only reloads', () => {
    expect(read('<meta http-equiv=refresh content="30">').refreshTo).toBeNull()
  })
})

describe('json-ld', () => {
  test('types come from the object, from arrays and from @graph', () => {
    const { jsonLd } = facts(
      '<script type="application/ld+json">{"@graph":[{"@type":"Article"},{"@type":["Person","Thing"]}]}</script>',
    )
    expect(jsonLd[0]).toMatchObject({ types: ['Article', 'Person', 'Thing'], error: null, errorLine: null, line: 1 })
  })

  test('a fault is found on its line', () => {
    const { jsonLd } = facts(
      '<head>\n<script type="application/ld+json">\n{"@type": "Article",\n "name": oops}\n</script>',
    )
    expect(jsonLd[0]).toMatchObject({ types: [], line: 2, errorLine: 4 })
    expect(jsonLd[0]?.error).toContain('oops')
  })

  test('an empty script says so', () => {
    expect(facts('<script type="application/ld+json"> </script>').jsonLd[0]?.error).toBe('empty')
  })
})

describe('the excerpt of the source', () => {
  test('holds the head line by line and the lines of the body that feed cards', () => {
    const { source: rows } = read(
      '<!doctype html>\n<html>\n<head>\n<title>Lamp</title>\n</head>\n<body>\n<div>nothing</div>\n<h1>Lamp</h1>\n</body>',
    )
    expect(rows().map((row) => [row.line, row.text])).toEqual([
      [1, '<!doctype html>'],
      [2, '<html>'],
      [3, '<head>'],
      [4, '<title>Lamp</title>'],
      [5, '</head>'],
      [8, '<h1>Lamp</h1>'],
    ])
  })

  test('a head on one long line is split tag by tag', () => {
    const tags = Array.from({ length: 12 }, (_, index) => `<meta name="key-${index}" content="value">`)
    const { source: rows } = read(`<!doctype html><html><head>${tags.join('')}</head><body>`)
    expect(rows().filter((row) => row.text.startsWith('<meta'))).toHaveLength(12)
    expect(rows().every((row) => row.line === 1)).toBe(true)
  })
})

describe('hostile input', () => {
  test.each([
    ['deep nesting', '<div>'.repeat(20_000)],
    ['open angle brackets', '<'.repeat(200_000)],
    ['an unclosed quote', `<meta name="a content=${'x'.repeat(200_000)}`],
    ['nothing', ''],
    ['NUL bytes', '\0\0<title>a\0b</title>'],
  ])('%s is read without a throw', (_name, html) => {
    expect(() => read(html)).not.toThrow()
  })
})

describe('texts that are longer than any text is', () => {
  const long = (length: number) => 'あ'.repeat(length)

  test('are kept to their limit, and it is said whose they are', () => {
    const most = limits.textCharacters
    const found = facts(
      `<meta charset=utf-8><title>${long(most + 5)}</title><meta property="og:title" content="${long(most + 1)}"><meta name=description content="short"><p>${'\u{1F99C}'.repeat(most)}`,
    )
    expect(found.title).toHaveLength(most)
    expect(found.metas.find(({ key }) => key === 'og:title')!.value).toHaveLength(most)
    expect(found.firstParagraph).toBe('\u{1F99C}'.repeat(most / 2))
    const after = `after ${most} characters`
    expect(found.leftOut).toEqual([`og:title ${after}`, `title ${after}`, `first paragraph ${after}`])
  })

  test('so are lists of tags', () => {
    const found = facts('<meta property="og:title" content="x">'.repeat(limits.metasOfPage + 1))
    expect(found.metas).toHaveLength(limits.metasOfPage)
    expect(found.leftOut).toEqual([`tags after the first ${limits.metasOfPage}`])
  })

  test('nothing is said where none is', () => {
    const found = facts(`<title>${'a'.repeat(limits.textCharacters)}</title>`)
    expect(found.title).toHaveLength(limits.textCharacters)
    expect(found.leftOut).toBeUndefined()
  })
})
