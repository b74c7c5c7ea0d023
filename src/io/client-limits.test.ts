import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { beginCrawl, clientLimits, forgetClients, refusalToAsk } from './client-limits'

beforeEach(forgetClients)
afterEach(() => vi.unstubAllEnvs())

describe('a server that is meant for others', () => {
  beforeEach(() => vi.stubEnv('NIMBLE_PARROT_PUBLIC', '1'))

  test('runs so many crawls of a client at once, and gives the place of one that is over to the next', () => {
    const first = beginCrawl('a')
    expect([beginCrawl('a'), beginCrawl('a')].map((one) => typeof one)).toEqual(['function', 'string'])
    const end = first as () => void
    end()
    end()
    expect([beginCrawl('a'), beginCrawl('a')].map((one) => typeof one)).toEqual(['function', 'string'])
  })

  test('runs so many in all', () => {
    const begun = Array.from({ length: clientLimits.crawlsInAll + 1 }, (_, index) => beginCrawl(`client ${index}`))
    expect(begun.map((one) => typeof one).lastIndexOf('function')).toBe(clientLimits.crawlsInAll - 1)
    expect(begun.at(-1)).toMatch(/Try again/)
  })

  test('asks so many addresses an hour for one client, and others are asked for all the same', async () => {
    for (let asked = 0; asked < clientLimits.askedOfClient; asked++) expect(await refusalToAsk('a')).toBeNull()
    expect(await refusalToAsk('a')).toMatch(/5000 addresses an hour/)
    expect(await refusalToAsk('b')).toBeNull()
  })
})

test('the person at the machine has no such limits', async () => {
  for (let begun = 0; begun < 20; begun++) expect(typeof beginCrawl('me')).toBe('function')
  for (let asked = 0; asked <= clientLimits.askedOfClient; asked++) expect(await refusalToAsk('me')).toBeNull()
})
