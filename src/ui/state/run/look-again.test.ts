import { expect, test } from 'vitest'
import type { RunSource } from '@/core/model'
import { lookAddress } from './look-again'

const source = (kind: RunSource['kind'], location: string, site = 'https://site.example/') => ({
  source: { kind, location, site },
})

test('a page is asked for where the build is served', () => {
  const local = source('url', 'http://127.0.0.1:4000/')
  expect(lookAddress(local, 'https://site.example/guides/lamp?x=1')).toBe('http://127.0.0.1:4000/guides/lamp?x=1')
  const sitemap = source('sitemap', 'http://127.0.0.1:4000/sitemap.xml')
  expect(lookAddress(sitemap, 'https://site.example/guides/lamp')).toBe('http://127.0.0.1:4000/guides/lamp')
  const live = source('url', 'https://site.example/')
  expect(lookAddress(live, 'https://site.example/guides/lamp')).toBe('https://site.example/guides/lamp')
})

test('a list is asked for where its pages were read', () => {
  const list = { source: { ...source('list', '3 addresses').source, servedAt: 'http://127.0.0.1:4000/' } }
  expect(lookAddress(list, 'https://site.example/guides/lamp')).toBe('http://127.0.0.1:4000/guides/lamp')
  expect(lookAddress(source('list', '3 addresses'), 'https://other.example/a')).toBe('https://other.example/a')
})
