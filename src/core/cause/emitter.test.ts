import { describe, expect, it } from 'vitest'
import { testPage } from '../testing/test-page'
import { emitterOf } from './emitter'

/** Who wrote the last og:title of a head. */
function emitterIn(head: string): string | null {
  const page = testPage(`<head>\n${head}\n</head><body><p>x</p></body>`)
  const tag = page.facts!.metas.findLast(({ key }) => key === 'og:title')!
  return emitterOf({ ...page, source: sourceOf(head) }, tag)
}
/** Rows as a gathered page keeps them: a line each, from line 2 on. */
const sourceOf = (head: string) =>
  head.split('\n').map((text, index) => ({ line: index + 2, column: 1, text, inHead: true }))

const title = '<meta property="og:title" content="A">'

describe('emitterOf', () => {
  it.each<[string, string, string | null]>([
    ['a comment on the line above', `<!-- Share plugin 3 -->\n${title}`, 'Share plugin 3'],
    ['a comment some tags above', `<!-- Share plugin -->\n<meta name="a">\n<meta name="b">\n${title}`, 'Share plugin'],
    ['the nearest of two', `<!-- theme -->\n<meta name="a">\n<!-- plugin -->\n${title}`, 'plugin'],
    ['a comment on the same line', `<!-- theme -->${title}`, 'theme'],
    ['a comment behind the tag', `${title}<!-- theme -->`, null],
    ['one that closes', `<!-- Share plugin -->\n<meta name="a">\n<!-- / Share plugin -->\n${title}`, null],
    ['one that ends', `<!-- End of plugin -->\n${title}`, null],
    ['none', title, null],
    ['an empty one', `<!-- -->\n${title}`, null],
    ['white space', `<!--  Share\tplugin   3 -->\n${title}`, 'Share plugin 3'],
    ['too far above', `<!-- theme -->\n${'<meta name="a">\n'.repeat(40)}${title}`, null],
    ['a very long one', `<!-- ${'x'.repeat(300)} -->\n${title}`, 'x'.repeat(80)],
  ])('%s', (_name, head, emitter) => expect(emitterIn(head)).toBe(emitter))
})
