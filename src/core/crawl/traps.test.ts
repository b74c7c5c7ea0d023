import { describe, expect, test } from 'vitest'
import { limits } from '../address'
import { TrapWatch } from './traps'

const now = new Date('2026-11-23T00:00:00Z')
const trapOf = (path: string) => new TrapWatch(now).trapOf(`https://site.example${path}`)

describe('TrapWatch', () => {
  test.each([
    ['/events/2028/11', null],
    ['/events/2028/12', 'endless-calendar'],
    ['/events/2029-01-05', 'endless-calendar'],
    ['/events?year=2031&month=2', 'endless-calendar'],
    ['/events/1996/11', null],
    ['/events/1901/05', 'endless-calendar'],
    ['/news/2026/02/a-story', null],
    ['/models/2099', null],
    ['/order-20991305', null],
    ['/a/a', null],
    ['/a/a/a', 'growing-path'],
    ['/a/b/a/b', null],
    ['/x/a/b/a/b/a/b', 'growing-path'],
    ['/guides/lamp/guides', null],
    [`/${'s/'.repeat(1)}${Array.from({ length: 25 }, (_, index) => index).join('/')}`, 'too-long'],
    [`/${'x'.repeat(2000)}`, 'too-long'],
  ])('%s is %s', (path, expected) => {
    expect(trapOf(path)).toBe(expected)
  })

  test('a path may have so many queries, and not one more', () => {
    const watch = new TrapWatch(now)
    const found = Array.from({ length: limits.queriesOfOnePath + 1 }, (_, index) =>
      watch.trapOf(`https://site.example/shop?p=${index}`),
    )
    expect(found.filter((trap) => trap === null)).toHaveLength(limits.queriesOfOnePath)
    expect(found.at(-1)).toBe('endless-queries')
    expect(watch.trapOf('https://site.example/other?p=1')).toBeNull()
  })
})
