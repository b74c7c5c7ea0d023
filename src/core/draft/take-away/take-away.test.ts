import { fileURLToPath } from 'node:url'
import fc from 'fast-check'
import { load as loadYaml } from 'js-yaml'
import ts from 'typescript'
import { describe, expect, test } from 'vitest'
import { parse } from 'yaml'
// A port of the reader of YAML 1.1 that Python has.
import { load as readYaml11 } from 'yaml-js'
import { decodeHtml, readPage } from '../../page'
import { knownKeys } from '../../tag'
import { fitText } from '../../testing/fit-text'
import { runs } from '../../testing/property-runs'
import { context, testPage } from '../../testing/test-page'
import { metadataObject, pagesAsFramework } from './as-framework'
import { frontMatter, frontMatterFiles } from './as-front-matter'
import { pagesAsHtml, tagsAsHtml } from './as-html'
import { cardTags } from './card-tags'
import { takeAways } from './index'

const tagsOf = (head: string) => {
  const page = testPage(`<head>${head}</head>`)
  return cardTags({ ...page, facts: page.facts! }, context().addresses)
}

/** What the compiler says of a module that is nowhere but here. */
function faultsOf(source: string): string[] {
  const name = fileURLToPath(new URL('made.ts', import.meta.url))
  const options: ts.CompilerOptions = {
    strict: true,
    noEmit: true,
    skipLibCheck: true,
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    types: [],
  }
  const host = ts.createCompilerHost(options)
  const read = host.getSourceFile.bind(host)
  host.getSourceFile = (file, version) =>
    file === name ? ts.createSourceFile(file, source, version) : read(file, version)
  host.fileExists = (file) => file === name || ts.sys.fileExists(file)
  const program = ts.createProgram([name], options, host)
  return program
    .getSemanticDiagnostics(program.getSourceFile(name))
    .map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, '\n'))
}

const HEAD = `<title>Lamp | Site</title>
<meta name="twitter:card" content="summary">
<meta property="og:image" content="/a.png"><meta property="og:image:alt" content="A lamp"><meta property="og:image:width" content="1200">
<meta property="og:title" content="Lamp"><meta property="og:title" content="Twice"><meta name="description" content="D">
<meta property="article:tag" content="one"><meta property="article:tag" content="two"><meta property="og:type" content="">`

describe('the tags of a page', () => {
  test('what may stand several times stands as often as the page says it, in its order', () => {
    const keys = [
      'og:see_also',
      'music:musician',
      'music:song',
      'music:song:disc',
      'music:song:track',
      'video:director',
      'video:writer',
      'video:actor',
      'video:actor:role',
      'article:author',
      'book:tag',
      'fb:admins',
      'og:locale:alternate',
    ]
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...keys), fc.stringMatching(/^[a-z]{1,6}$/)), { maxLength: 12 }),
        (said) => {
          const head = said.map(([key, value]) => `<meta property="${key}" content="${value}">`).join('\n')
          const own = tagsOf(head).tags.flatMap(({ key, value }) => (key === 'og:url' ? [] : [[key, value]]))
          const listed = new Set(knownKeys())
          // What has no place of its own keeps the page's order: a role stays with its actor.
          const ofFamilies = (tags: typeof said) => tags.filter(([key]) => !listed.has(key))
          expect(ofFamilies(own as typeof said)).toEqual(ofFamilies(said))
          for (const key of keys) expect(own.filter(([of]) => of === key)).toEqual(said.filter(([of]) => of === key))
          expect(own).toHaveLength(said.length)
        },
      ),
      runs(200),
    )
  })

  test('what a page has one of stands once, as it said it first', () => {
    const twice = (key: string) => `<meta name="${key}" content="first"><meta name="${key}" content="second">`
    for (const key of [
      'og:title',
      'twitter:card',
      'twitter:label1',
      'twitter:app:name:iphone',
      'fb:app_id',
      'description',
    ])
      expect(tagsOf(twice(key)).tags.filter((tag) => tag.key === key)).toEqual([{ key, value: 'first' }])
  })

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
      // The page says no kind: its tags of an article have no place.
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

  test('front matter of several pages is a file each, beside the source that a rule names', () => {
    const at = (path: string) => ({ ...tagsOf(HEAD), url: `https://site.example${path}` })
    const files = frontMatterFiles(
      [at('/guides/lamp'), at('/'), at('/caf%C3%A9/'), at('/a/..%2F..%2Fb.html'), at('/%E0%A4%A')],
      [{ from: '/guides/*', to: 'content/guides/*.md' }],
    )
    expect(Object.keys(files)).toEqual([
      'content/guides/lamp.md.yaml',
      'index.yaml',
      'café.yaml',
      'a/b.yaml',
      '%E0%A4%A.yaml',
    ])
    expect(files['content/guides/lamp.md.yaml']).toBe(frontMatter(at('/guides/lamp')))
  })

  test.each([
    'no',
    'off',
    'Yes',
    'null',
    '~',
    '12:30',
    '1_000',
    '0o17',
    '0x1F',
    '1e3',
    '.inf',
    '2026-11-27',
    '2026-11-27T10:00:00Z',
    '=',
    '<<',
    '- a',
    '? b',
    '# c',
    'a: b',
    '@x',
    '%TAG',
    '|',
    '>',
    "it's",
    '"',
    '\\',
    'a\nb',
    ' a ',
    '\u2028',
    '🙂',
  ])('any reader of YAML takes %j for a text', (title) => {
    const yaml = frontMatter({
      url: 'https://x.example/',
      title,
      canonical: 'https://x.example/',
      tags: [{ key: 'og:title', value: title }],
    }).replace(/^---\n|---\n$/g, '')
    for (const read of [parse, (text: string) => parse(text, { version: '1.1' }), loadYaml, readYaml11]) {
      const made = read(yaml) as { title: unknown; meta: Record<string, unknown> }
      expect([made.title, made.meta['og:title']]).toEqual([title, title])
    }
  })

  test('the metadata object compiles against the framework’s own types, whatever the page says', () => {
    const kinds = ['website', 'article', 'book', 'profile', 'video.movie', 'music.song', 'product', 'nonsense']
    const page = (type: string, index: number) =>
      tagsOf(
        `<title>T</title><meta property="og:type" content="${type}"><meta property="og:image" content="/a.png"><meta property="og:image:width" content="wide"><meta property="og:image:secure_url" content="https://site.example/a.png"><meta property="og:video" content="/v.mp4"><meta property="og:video:width" content="640"><meta property="og:locale:alternate" content="de_DE"><meta property="og:locale:alternate" content="fr_FR"><meta property="article:author" content="Ada"><meta property="article:published_time" content="2026-11-01"><meta property="book:isbn" content="1"><meta property="profile:username" content="ada"><meta property="video:director" content="D"><meta name="twitter:card" content="${['summary', 'player', 'app', 'summary_large_image'][index % 4]}"><meta name="twitter:player" content="https://site.example/p"><meta name="twitter:site:id" content="7"><meta property="fb:app_id" content="1"><meta property="fb:admins" content="2"><meta name="author" content="Ada">`,
      )
    const modules = kinds.map(
      (type, index) =>
        `${pagesAsFramework([page(type, index)]).replace('export const metadata', `const m${index}`)}m${index} satisfies Metadata\n`,
    )
    expect(faultsOf(`import type { Metadata } from 'next'\n${modules.join('')}`)).toEqual([])
    // The compiler does look: a field that the type has not is a fault.
    expect(
      faultsOf(`import type { Metadata } from 'next'\nconst m = { openGraph: { kind: 'x' } } satisfies Metadata\n`),
    ).toHaveLength(1)
  }, 60_000)

  test('every form has a name, and writes something', () => {
    for (const form of takeAways) expect(form.write([tagsOf(HEAD)]), form.id).toContain('Lamp | Site')
  })

  const text = fc
    .string({ unit: 'binary', minLength: 1 })
    .map(fitText)
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
