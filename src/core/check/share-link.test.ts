import { expect, test } from 'vitest'
import { readShareLink } from './share-link'

const PAGE = 'https://site.example/about'
const share = (href: string) => readShareLink(href, PAGE)

test('the address may stand in several places, and an account beside it', () => {
  const address = 'https://site.example/about'
  const encoded = encodeURIComponent(address)
  for (const key of ['u', 'url', 'link', 'href']) {
    expect(share(`https://share.example/x?${key}=${encoded}`)).toEqual({ address, via: null })
  }
  expect(share(`https://share.example/?text=${encodeURIComponent(`Look: ${address} !`)}&via=hall`)).toEqual({
    address,
    via: 'hall',
  })
})

test('a link within the site, or one that carries no address, is none', () => {
  for (const href of [
    '/x?u=https://site.example/',
    'https://site.example/?u=https://a.example/',
    'https://find.example/?text=lamp',
    'https://share.example/?u=/about',
    'mailto:a@b.example?u=https://site.example/',
    'http://[',
  ]) {
    expect([href, share(href)]).toEqual([href, null])
  }
})
