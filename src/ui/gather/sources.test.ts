import { describe, expect, test } from 'vitest'
import { completeAddress, crawlFrom, sourceName } from './sources'

describe('completeAddress', () => {
  test.each([
    ['localhost:3000', 'http://localhost:3000/'],
    ['127.0.0.1:8080/docs', 'http://127.0.0.1:8080/docs'],
    ['example.org', 'https://example.org/'],
    [' http://example.org/a b ', 'http://example.org/a%20b'],
    ['ftp://example.org', null],
    ['javascript:alert(1)', null],
    ['', null],
    ['http://', null],
  ])('%j is %s', (typed, expected) => {
    expect(completeAddress(typed)).toBe(expected)
  })
})

test('a source is named by where it is', () => {
  expect(sourceName(crawlFrom('http://localhost:3000/'))).toBe('http://localhost:3000/')
  expect(sourceName({ kind: 'crawl', request: { from: { kind: 'list', addresses: ['a', 'b'] }, site: null } })).toBe(
    '2 addresses',
  )
})
