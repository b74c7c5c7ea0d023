import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { parse } from 'yaml'
import { decodeHtml, readPage } from '../../page'
import { runs } from '../../testing/property-runs'
import { context, testPage } from '../../testing/test-page'
import { cleanText } from '../draft'
import { metadataObject, pagesAsFramework } from './as-framework'
import { frontMatter } from './as-front-matter'
import { pagesAsHtml, tagsAsHtml } from './as-html'
import { cardTags } from './card-tags'
import { takeAways } from './index'

const tagsOf = (head: string) => {
  const page = testPage(`<head>${head}</head>`)
  return cardTags({ ...page, facts: page.facts! }, context().addresses)
}

const HEAD = `<title>Lamp | Site</title>
<meta name="twitter:card" content="summary">
<meta property="og:image" content="/a.png"><meta property="og:image:alt" content="A lamp"><meta property="og:image:width" content="1200">
<meta property="og:title" content="Lamp"><meta property="og:title" content="Twice"><meta name="description" content="D">
<meta property="article:tag" content="one"><meta property="article:tag" content="two"><meta property="og:type" content="">`

describe('the tags of a page', () => {
  test('are complete, in order, single ones once, absolute, without empty ones', () => {
    expect(tagsOf(HEAD)).toEqual({
      url: 'https://site.example/guides/lamp',
      title: 'Lamp | Site',
      canonical: 'https://site.example/guides/lamp',
      tags: [
        { key: 'description', value: 'D' },
        { key: 'og:title', value: 'Lamp' },
        { key: 'og:url', value: 'https://site.example/guides/lamp' },
        { key: 'og:image', value: 'https://site.example/a.png' },
        { key: 'og:image:width', value: '1200' },
        { key: 'og:image:alt', value: 'A lamp' },
        { key: 'twitter:card', value: 'summary' },
        { key: 'article:tag', value: 'one' },
        { key: 'article:tag', value: 'two' },
      ],
    })
  })

  test('of several pictures each keeps what is said of it', () => {
    const keys = tagsOf(
      '<meta property="og:image" content="/a.png"><meta property="og:image:alt" content="a"><meta property="og:image" content="/b.png"><meta property="og:image:alt" content="b">',
    ).tags.filter(({ key }) => key.startsWith('og:image'))
    expect(keys.map(({ value }) => value)).toEqual([
      'https://site.example/a.png',
      'a',
      'https://site.example/b.png',
      'b',
    ])
  })

  test('as HTML', () => {
    expect(tagsAsHtml(tagsOf('<title>A & B</title><meta property="og:title" content=\'"A" <b>\'>'))).toBe(
      '<title>A &amp; B</title>\n<meta property="og:title" content="&quot;A&quot; &lt;b&gt;">\n' +
        '<meta property="og:url" content="https://site.example/guides/lamp">\n<link rel="canonical" href="https://site.example/guides/lamp">\n',
    )
    expect(pagesAsHtml([{ ...tagsOf(''), url: 'https://site.example/a--><script>' }])).toMatch(
      /^<!-- https:\/\/site.example\/a-%2D><script> -->\n/,
    )
  })

  test('as a metadata object', () => {
    expect(metadataObject(tagsOf(HEAD))).toEqual({
      title: 'Lamp | Site',
      description: 'D',
      alternates: { canonical: 'https://site.example/guides/lamp' },
      openGraph: {
        title: 'Lamp',
        url: 'https://site.example/guides/lamp',
        images: [{ url: 'https://site.example/a.png', width: 1200, alt: 'A lamp' }],
      },
      twitter: { card: 'summary' },
      other: { 'article:tag': ['one', 'two'] },
    })
    expect(pagesAsFramework([tagsOf(HEAD), { ...tagsOf(HEAD), url: 'https://site.example/b' }])).toContain('"/b": {')
  })

  test('as front matter', () => {
    const yaml = parse(frontMatter(tagsOf(HEAD)).replace(/^---\n|---\n$/g, ''))
    expect(yaml).toMatchObject({
      title: 'Lamp | Site',
      description: 'D',
      image: 'https://site.example/a.png',
      meta: { 'article:tag': ['one', 'two'] },
    })
  })

  test('every form has a name, and writes something', () => {
    for (const form of takeAways) expect(form.write([tagsOf(HEAD)]), form.id).toContain('Lamp | Site')
  })

  const text = fc
    .string({ unit: 'binary', minLength: 1 })
    .map(cleanText)
    .filter((value) => value.trim() !== '')

  test('for any text, HTML reads back as it was written, and YAML too', () => {
    fc.assert(
      fc.property(text, text, (title, description) => {
        const tags = {
          url: 'https://x.example/',
          title: null,
          canonical: 'https://x.example/',
          tags: [
            { key: 'og:title', value: title },
            { key: 'description', value: description },
          ],
        }
        const { facts } = readPage(
          decodeHtml(new TextEncoder().encode(`<meta charset=utf-8>${tagsAsHtml(tags)}`), null),
        )
        expect(facts.metas.slice(1).map(({ key, value }) => ({ key, value }))).toEqual(tags.tags)
        expect(parse(frontMatter(tags).replace(/^---\n|---\n$/g, '')).meta['og:title']).toBe(title)
      }),
      runs(500),
    )
  }, 60_000)
})
