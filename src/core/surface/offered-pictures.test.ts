import { describe, expect, it } from 'vitest'
import { surfaceOf } from '../testing/places'
import { context, image, testPage } from '../testing/test-page'
import { cardOf } from './card'
import { offeredPictures, withPictureChosen } from './offered-pictures'

const [a, b, c] = ['a', 'b', 'c'].map((name) => image(`https://site.example/${name}.png`))
const tag = (key: string, value: string) => `<meta property="${key}" content="${value}">`
const page = testPage(
  `<head><title>T</title>${tag('og:image', a!.url)}${tag('og:image:alt', 'A')}${tag('og:image', b!.url)}${tag('og:image:width', '1200')}${tag('og:image:alt', 'B')}${tag('og:image', c!.url)}<meta name="twitter:image" content="${a!.url}"></head>`,
)
const pictureOn = (given: typeof page, surface: string) =>
  cardOf(given, surfaceOf(surface)!, context([a!, b!, c!])).image.url

describe('withPictureChosen', () => {
  it.each([
    [0, 'https://site.example/a.png'],
    [1, 'https://site.example/b.png'],
    [2, 'https://site.example/c.png'],
  ])('shows picture %i on every place', (index, url) => {
    const chosen = withPictureChosen(page, index)
    for (const surface of ['wide-feed', 'microblog', 'picture-board']) expect(pictureOn(chosen, surface)).toBe(url)
  })

  it('keeps what describes the chosen one, and nothing of the others', () => {
    const metas = withPictureChosen(page, 1).facts!.metas.filter(({ key }) => key.startsWith('og:image'))
    expect(metas.map(({ key, value }) => [key, value])).toEqual([
      ['og:image', b!.url],
      ['og:image:width', '1200'],
      ['og:image:alt', 'B'],
    ])
  })

  it('leaves a page with one picture, or none of that number, as it is', () => {
    const one = testPage(`<head>${tag('og:image', a!.url)}</head>`)
    expect(withPictureChosen(one, 0)).toBe(one)
    expect(withPictureChosen(page, 3)).toBe(page)
    expect([offeredPictures(page), offeredPictures(one), offeredPictures({ ...page, facts: null })]).toEqual([3, 1, 0])
  })
})
