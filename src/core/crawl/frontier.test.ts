import { describe, expect, test } from 'vitest'
import { Frontier } from './frontier'

const url = (path: string) => `https://site.example${path}`
const drain = (frontier: Frontier) => {
  const taken: string[] = []
  for (let next = frontier.take(); next; next = frontier.take()) taken.push(new URL(next.url).pathname)
  return taken
}

describe('Frontier', () => {
  test('many products don’t hide other templates: sections take turns', () => {
    const frontier = new Frontier()
    for (let index = 0; index < 1000; index++) frontier.add({ url: url(`/products/${index}`), depth: 1 })
    for (const path of ['/guides/1', '/guides/2', '/news/1']) frontier.add({ url: url(path), depth: 1 })
    expect(drain(frontier).slice(0, 6)).toEqual([
      '/products/0',
      '/guides/1',
      '/news/1',
      '/products/1',
      '/guides/2',
      '/products/2',
    ])
  })

  test('within a section, in the order found', () => {
    const frontier = new Frontier()
    for (const path of ['/a/3', '/a/1', '/a/2']) frontier.add({ url: url(path), depth: 1 })
    expect(drain(frontier)).toEqual(['/a/3', '/a/1', '/a/2'])
  })

  test('a sample takes so many of each section and leaves the rest waiting', () => {
    const frontier = new Frontier(2)
    for (let index = 0; index < 5; index++) frontier.add({ url: url(`/a/${index}`), depth: 1 })
    frontier.add({ url: url('/b/1'), depth: 1 })
    expect(drain(frontier).sort()).toEqual(['/a/0', '/a/1', '/b/1'])
    expect(frontier.size).toBe(3)
    expect([...frontier].map((waiting) => new URL(waiting.url).pathname)).toEqual(['/a/2', '/a/3', '/a/4'])
  })

  test('a hundred thousand addresses of one section come out once each', () => {
    const frontier = new Frontier()
    for (let index = 0; index < 100_000; index++) frontier.add({ url: url(`/a/${index}`), depth: 1 })
    expect(new Set(drain(frontier)).size).toBe(100_000)
  })
})
