import { describe, expect, test } from 'vitest'
import { limits } from '../address'
import { PictureHosts } from './picture-hosts'

const clock = { ms: 1_000_000, now: () => new Date(clock.ms) }

describe('whose host it is', () => {
  const hosts = new PictureHosts(
    ['https://www.site.co.uk/', 'http://127.0.0.1:4301/'],
    ['pictures.example.com'],
    clock.now,
  )
  test.each([
    ['https://www.site.co.uk/a.png', true],
    ['https://img.site.co.uk/a.png', true],
    ['http://127.0.0.1:9/a.png', true],
    ['https://pictures.example.com/a.png', true],
    ['https://other.co.uk/a.png', false],
    ['https://more.pictures.example.com/a.png', false],
    ['https://example.com/a.png', false],
    ['http://127.0.0.2/a.png', false],
  ])('%s is asked like the site: %s', (url, isOwn) => {
    hosts.take(url)
    expect(hosts.readyInMs(url) === 0).toBe(isOwn)
  })

  test('who has a name under somebody’s service has no other name there', () => {
    const mine = new PictureHosts(['https://me.github.io/'], [], clock.now)
    mine.take('https://you.github.io/a.png')
    expect(mine.readyInMs('https://you.github.io/b.png')).toBe(limits.foreignPictureMs)
  })
})

test('others are asked twice a second each, whatever their names, and so often in all', () => {
  const hosts = new PictureHosts(['https://site.example/'], [], clock.now, 5)
  const waits = ['a.cdn.com', 'b.cdn.com', 'c.cdn.com', 'x.net', 'a.cdn.com'].map((host) =>
    hosts.take(`https://${host}/1.png`),
  )
  expect(waits).toEqual([0, 500, 1000, 0, 1500])
  clock.ms += 400
  expect(hosts.readyInMs('https://x.net/2.png')).toBe(0)
  expect([hosts.take('https://x.net/2.png'), hosts.take('https://new.org/3.png')]).toEqual([null, null])
  expect(hosts.take('https://site.example/a.png')).toBe(0)
  expect(hosts.words()).toContain('2 pictures on x.net, new.org were not looked at')
})
