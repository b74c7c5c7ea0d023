import { expect, test } from 'vitest'
import { innerHostsNamed } from './named-hosts'

const names: Record<string, string[]> = {
  'staging.brasswick.example': ['10.0.0.5', '93.184.215.14'],
  'brasswick.example': ['93.184.215.14'],
}
const lookUp = async (name: string) => names[name] ?? Promise.reject(new Error('no such name'))

test('a named host is inner only with the addresses that it has now', async () => {
  const found = await innerHostsNamed(
    [
      'https://staging.brasswick.example/a',
      'https://staging.brasswick.example/b',
      'http://brasswick.example/',
      'http://127.0.0.1:4301/',
      'http://[::1]:4301/',
      'http://unknown.example/',
      'no address',
    ],
    lookUp,
  )
  expect([...found].map(([host, inner]) => [host, [...inner]])).toEqual([
    ['staging.brasswick.example:443', ['10.0.0.5']],
    ['127.0.0.1:4301', ['127.0.0.1']],
    ['[::1]:4301', ['::1']],
  ])
})

test('a server that is meant for others has none', async () => {
  process.env['NIMBLE_PARROT_PUBLIC'] = '1'
  try {
    expect((await innerHostsNamed(['http://127.0.0.1:4301/'], lookUp)).size).toBe(0)
  } finally {
    delete process.env['NIMBLE_PARROT_PUBLIC']
  }
})
