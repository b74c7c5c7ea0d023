import { describe, expect, test } from 'vitest'
import { pageOfAddress } from './address-variants'

const known = new Map([
  ['https://site.example/lamp', 'lamp'],
  ['https://site.example/guides/', 'guides'],
  ['https://site.example/list?page=2', 'second'],
])

describe('the page of an address', () => {
  test.each([
    ['https://site.example/lamp', 'lamp'],
    ['https://site.example/lamp?from=letter', 'lamp'],
    ['https://site.example/lamp/#top', 'lamp'],
    ['http://site.example/lamp/', 'lamp'],
    ['http://site.example/guides', 'guides'],
    ['https://site.example/list?page=2', 'second'],
    ['https://site.example/lamps', null],
    ['https://other.example/lamp', null],
  ])('%s', (address, page) => {
    expect(pageOfAddress(address, known)).toBe(page)
  })
})
