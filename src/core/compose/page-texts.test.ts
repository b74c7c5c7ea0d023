import { expect, it } from 'vitest'
import type { Draft } from '../draft'
import { testPage } from '../testing/test-page'
import { pageTexts } from './page-texts'
import { firstTemplate, type PictureTemplate } from './template'

const built = testPage(
  '<title>Rewire a lamp | Brasswick Mending Hall</title><meta name=author content="Ada Quillfeather"><h1>A lamp</h1>',
)
const page = { ...built, facts: built.facts!, url: 'https://brasswick.example/guides/lamp-3' }
const first = firstTemplate(null)
const said = (change: Partial<PictureTemplate>, draft: Draft | null = null) =>
  pageTexts({ ...first, ...change }, page, '/guides/*', draft, ['Brasswick Mending Hall'])

it('writes the page’s own part of its title, and the site’s name', () =>
  expect(said({})).toEqual({ title: 'Rewire a lamp', line: '', mark: 'Brasswick Mending Hall' }))

it('takes a drafted title before the built one, but for one that has landed or takes the title out', () => {
  const draft = (title: string | null, landedAt: string | null) => ({ fields: { title }, landedAt }) as Draft
  expect(said({}, draft('A safe lamp', null)).title).toBe('A safe lamp')
  expect(said({}, draft('Old words', '2026-01-01')).title).toBe('Rewire a lamp')
  expect(said({}, draft(null, null)).title).toBe('Rewire a lamp')
})

it('knows all parts of title patterns, and text without any', () => {
  const line = { text: '{section}[ by {author}][ on {date}], no. {number}', size: 30 }
  expect(said({ line, mark: { text: 'Mended here', height: 20, place: 'top' } })).toMatchObject({
    line: 'Guides by Ada Quillfeather, no. 3',
    mark: 'Mended here',
  })
})

it('shows a pattern that is still being typed as it stands', () =>
  expect(said({ title: { ...first.title, text: '{tit' } }).title).toBe('{tit'))
