import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'
import { GatheringBuilder } from './events'
import { inParallel } from './in-parallel'

const { pages, images } = await gatherMemory(
  { 'index.html': '<title>A</title>', 'b.html': '<title>B</title><link rel=icon href=/i.png>' },
  'https://site.example/',
)
const started = {
  kind: 'started',
  source: { kind: 'url', location: 'x', site: 'https://site.example/' },
  view: 'standing',
  startedAt: 'then',
  robotsTxt: null,
  scope: [] as string[],
} as const

describe('GatheringBuilder', () => {
  test('nothing until the run has started', () => {
    const builder = new GatheringBuilder()
    builder.add({ kind: 'page', page: pages[0]! })
    expect(builder.gathering()).toBeNull()
  })

  test('pages and pictures once each, the last word counts', () => {
    const builder = new GatheringBuilder()
    builder.add(started)
    for (const page of [...pages, pages[0]!]) builder.add({ kind: 'page', page })
    for (const image of [...images, ...images]) builder.add({ kind: 'image', image: { ...image, status: 200 } })
    builder.add({ kind: 'finished', finishedAt: 'now', stopped: false })
    const gathering = builder.gathering()!
    expect(gathering.pages).toHaveLength(2)
    expect(gathering.images.every(({ status }) => status === 200)).toBe(true)
    expect(gathering).toMatchObject({ startedAt: 'then', finishedAt: 'now' })
  })

  test('an alias is added once, and one of an unknown page is let go', () => {
    const builder = new GatheringBuilder()
    builder.add(started)
    builder.add({ kind: 'page', page: pages[0]! })
    for (let times = 0; times < 2; times++)
      builder.add({ kind: 'alias', url: pages[0]!.url, alias: 'https://site.example/old' })
    builder.add({ kind: 'alias', url: 'https://site.example/none', alias: 'x' })
    expect(builder.gathering()!.pages[0]!.fetch.aliases).toEqual(['https://site.example/old'])
  })
})

describe('inParallel', () => {
  test('runs so many at once, yields everything, and asks again for tasks that results bring', async () => {
    let running = 0
    let most = 0
    const queue = [1, 2, 3, 4, 5, 6]
    const next = () => {
      const item = queue.shift()
      if (item === undefined) return null
      running++
      most = Math.max(most, running)
      return new Promise<number>((resolve) => setTimeout(resolve, 7 - item)).then(() => {
        running--
        return item
      })
    }
    const results: number[] = []
    for await (const came of inParallel(next, 3)) {
      results.push(...came)
      if (came.includes(3)) queue.push(7)
    }
    expect(results.sort()).toEqual([1, 2, 3, 4, 5, 6, 7])
    expect(most).toBe(3)
  })

  test('what came between two looks comes together, in the order in which it came', async () => {
    const done = new Map<number, (value: number) => void>()
    const tasks = [3, 1, 2].map((value) => new Promise<number>((resolve) => done.set(value, resolve)))
    const batches: number[][] = []
    const look = async () => {
      for (const value of [2, 3]) {
        done.get(value)!(value)
        // The waiting reader is told before the next.
        await new Promise((resolve) => setImmediate(resolve))
      }
    }
    // No one looks before something came.
    done.get(1)!(1)
    for await (const came of inParallel(() => tasks.shift() ?? null, 3, look)) batches.push(came)
    expect(batches).toEqual([[1, 2, 3]])
  })

  test('a task that fails fails the whole with its own error, after what came before it', async () => {
    const tasks = [Promise.resolve(1), Promise.reject(new Error('broken')), Promise.resolve(3)]
    const seen: number[] = []
    await expect(async () => {
      for await (const came of inParallel(() => tasks.shift() ?? null, 3)) seen.push(...came)
    }).rejects.toThrow('broken')
    expect(seen).toEqual([1])
  })
})
