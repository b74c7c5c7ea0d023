import { describe, expect, it } from 'vitest'
import type { Requirements } from '@/core/requirements'
import { globFault, sectionRows, withOwnSection, withoutSection, withSection } from './section-order'

const pages = [
  { path: '/docs/', section: '/docs/*' },
  { path: '/docs/start', section: '/docs/*' },
  { path: '/docs/reference/a', section: '/docs/reference/*' },
  { path: '/about', section: '/about' },
]
const order = (requirements: Requirements) => Object.keys(requirements.sections ?? {})

describe('sectionRows', () => {
  it('has what was found, then what only the requirements name', () =>
    expect(
      sectionRows(pages, { sections: { '/shop/*': {}, '/about': {} } }).map(({ section, pages: own, isOwn }) => [
        section,
        own.length,
        isOwn,
      ]),
    ).toEqual([
      ['/docs/*', 2, false],
      ['/docs/reference/*', 1, false],
      ['/about', 1, true],
      ['/shop/*', 0, true],
    ]))
})

describe('withSection', () => {
  it('keeps a found section apart that the glob would swallow', () => {
    const next = withSection({}, '/docs/*', { kind: 'article' }, pages)
    expect(next.sections).toEqual({ '/docs/reference/*': {}, '/docs/*': { kind: 'article' } })
    expect(order(next)).toEqual(['/docs/reference/*', '/docs/*'])
  })
  it('leaves the order as it is where the section is named already', () => {
    const sections = { '/docs/*': { kind: 'article' }, '/about': {} }
    const next = withSection({ sections }, '/docs/*', { kind: undefined, requires: ['author'] }, pages)
    expect(next.sections).toEqual({ '/docs/*': { requires: ['author'] }, '/about': {} })
    expect(order(next)).toEqual(['/docs/*', '/about'])
  })
  it('drops what is set back to nothing, and keeps the section', () =>
    expect(
      withSection({ sections: { '/about': { requires: ['author'] } } }, '/about', { requires: [] }, pages).sections,
    ).toEqual({
      '/about': {},
    }))
  it('gathers what was found apart under a glob that somebody wrote', () =>
    expect(withSection({}, '/**', { kind: 'article' }, pages).sections).toEqual({ '/**': { kind: 'article' } }))
})

it('puts a section of one’s own first, with what it says', () => {
  const next = withOwnSection({ sections: { '/docs/*': {}, '/docs/faq-*': { kind: 'website' } } }, '/docs/faq-*')
  expect(order(next)).toEqual(['/docs/faq-*', '/docs/*'])
  expect(next.sections!['/docs/faq-*']).toEqual({ kind: 'website' })
})

it('takes a section away again', () =>
  expect(withoutSection({ site: 'https://a.example/', sections: { '/a': {}, '/b': {} } }, '/a')).toEqual({
    site: 'https://a.example/',
    sections: { '/b': {} },
  }))

it.each([
  ['/docs/*', null],
  ['docs/*', 'A section is a path and begins with /.'],
  ['', 'A section is a path and begins with /.'],
  ['/my docs/*', 'An address has no spaces.'],
])('%j: %j', (glob, fault) => expect(globFault(glob)).toBe(fault))
