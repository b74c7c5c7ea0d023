import { expect, test } from 'vitest'
import { testPage } from '../testing/test-page'
import { repeatedName } from './repeated-name'

const script = (value: unknown) => `<script type="application/ld+json">${JSON.stringify(value)}</script>`
const nameOf = (head: string, body = '') => repeatedName(testPage(`<head>${head}</head><body>${body}`).facts!)

test.each([
  ['Rewire a lamp', 'as the whole title'],
  ['Rewire a lamp | Hall', 'in front of what the template adds'],
  ['Hall — Rewire a lamp', 'behind it'],
])('in “%s” a headline is repeated %s', (title) => {
  expect(nameOf(`<title>${title}</title>${script({ '@type': 'Article', headline: 'Rewire a lamp' })}`)).toBe(
    'Rewire a lamp',
  )
})

test('a heading and a card’s title are repeated as well', () => {
  const lamp = script({ '@graph': [{ '@type': 'WebPage', name: 'Lamp' }] })
  expect(nameOf(`<title>A</title>${lamp}`, '<h1>Lamp</h1>')).toBe('Lamp')
  expect(nameOf(`<title>A</title><meta property="og:title" content="Lamp">${lamp}`)).toBe('Lamp')
})

test('what begins like a title, what is listed, and what the site is called are not', () => {
  expect(nameOf(`<title>Lamps of old</title>${script({ '@type': 'Product', name: 'Lamps' })}`)).toBeNull()
  const list = { '@type': 'ItemList', itemListElement: [{ item: { '@type': 'Product', name: 'Kettle' } }] }
  expect(nameOf(`<title>Shop | Hall</title>${script(list)}`)).toBeNull()
  expect(nameOf(`<title>Hall</title>${script({ '@type': 'WebSite', name: 'Hall' })}`)).toBeNull()
  const name = '<meta property="og:site_name" content="Hall">'
  expect(nameOf(`<title>Lamp | Hall</title>${name}${script({ '@type': 'Thing', name: 'Hall' })}`)).toBeNull()
})
