import { describe, expect, test } from 'vitest'
import { lineOfTag, sourceFileOf } from './source-files'

describe('the file in which a page is written', () => {
  const rules = [
    { from: '/', to: 'content/index.md' },
    { from: '/guides/*', to: 'content/guides/*.md' },
    { from: '/docs/**', to: 'docs/**.mdx' },
    { from: '/a.b/*/c', to: 'x/*.txt' },
  ]
  test.each([
    ['/', 'content/index.md'],
    ['/guides/lamp', 'content/guides/lamp.md'],
    ['/guides/lamp/', 'content/guides/lamp.md'],
    ['/guides/lamp.html', 'content/guides/lamp.md'],
    ['/guides/lamp/index.html', 'content/guides/lamp.md'],
    ['/guides/lamp/parts', null],
    ['/docs/a/b/c/', 'docs/a/b/c.mdx'],
    ['/aXb/y/c', null],
    ['/a.b/y/c', 'x/y.txt'],
    ['/news/x', null],
  ])('%s: %s', (path, file) => expect(sourceFileOf(path, rules)).toBe(file))
})

describe('the line on which a tag is written', () => {
  const matter = '---\ntitle: A lamp\nsummary: How to mend it\ncover: lamp.jpg\n---\ntitle: no field any more\n'
  test.each([
    ['title', 2],
    ['og:title', 2],
    ['og:description', 3],
    ['og:image', 4],
    ['og:type', null],
    ['twitter:card', null],
  ])('%s of front matter: %s', (tag, line) => expect(lineOfTag(matter, tag)).toBe(line))

  test('where the tag itself is named, and nowhere in a file without either', () => {
    expect(lineOfTag('<head>\n<meta property="og:type" content="x">\n', 'og:type')).toBe(2)
    expect(lineOfTag('title: A\n', 'title')).toBeNull()
    expect(lineOfTag('', 'og:title')).toBeNull()
  })
})
