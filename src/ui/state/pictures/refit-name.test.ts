import { expect, it } from 'vitest'
import { refitAddress, refitName } from './refit-name'

const shape = { width: 1200, height: 630 }

it('keeps the picture’s own name, without its ending and query', () => {
  expect(refitName('https://site.example/img/lathe.png?v=2', shape, 'jpeg')).toBe('lathe-1200x630.jpg')
  expect(refitName('https://site.example/img/v1.2%20final.webp', shape, 'webp')).toBe('v1.2-20final-1200x630.webp')
  expect(refitName('https://site.example/', shape, 'png')).toBe('picture-1200x630.png')
})

it('stands beside a picture of the site; one from elsewhere comes to the site’s root', () => {
  const site = 'https://site.example/docs/'
  expect(refitAddress('https://site.example/docs/img/a.png', site, shape, 'jpeg')).toBe(
    'https://site.example/docs/img/a-1200x630.jpg',
  )
  expect(refitAddress('https://cdn.example/x/a.png', site, shape, 'jpeg')).toBe(
    'https://site.example/docs/a-1200x630.jpg',
  )
})
