import { describe, expect, test } from 'vitest'
import { image, testPage } from '../testing/test-page'
import { pictureHelps, textHelps } from './text-helps'

const { facts } = testPage(
  `<title>Lamp | Site</title><meta property="og:title" content="Lamp"><meta name="twitter:title" content="Lamp">
   <meta name="description" content=" "><h1>Rewire  a lamp</h1>
   <main><p>A first paragraph that is long enough to be one.</p><img src="/a.jpg" alt="A lamp"><img src="/b.jpg" alt=""><img src="/c.jpg" alt="A lamp"></main>`,
)

describe('what a page itself offers', () => {
  test('titles: heading first, each text once, nothing blank', () => {
    expect(textHelps(facts!, 'title')).toEqual([
      { from: 'h1', text: 'Rewire a lamp' },
      { from: 'title', text: 'Lamp | Site' },
      { from: 'og:title', text: 'Lamp' },
    ])
  })

  test('descriptions: a blank tag offers nothing', () => {
    expect(textHelps(facts!, 'description')).toEqual([
      { from: 'first paragraph', text: 'A first paragraph that is long enough to be one.' },
    ])
  })

  test('alternative texts of its pictures, each once', () => {
    expect(textHelps(facts!, 'imageAlt')).toEqual([{ from: 'alt', text: 'A lamp' }])
  })

  test('pictures large enough for a card everywhere: its own first, then by size', () => {
    const images = [
      image('big', { width: 3000, height: 2000 }),
      image('own', { width: 600, height: 315 }),
      image('low', { width: 600, height: 314 }),
      image('icon', { iconOnly: true }),
      image('dead', { errorCode: 'status' }),
    ]
    expect(pictureHelps(['own', 'low'], images).map(({ image: { url }, isOwn }) => [url, isOwn])).toEqual([
      ['own', true],
      ['big', false],
    ])
  })
})
