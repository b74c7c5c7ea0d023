import { expect, test } from 'vitest'
import { imagePath, readToken } from './image-token'

const grant = {
  url: 'http://127.0.0.1:4301/img/a.png?x=1&y=é',
  innerHosts: new Map([['127.0.0.1:4301', new Set(['127.0.0.1'])]]),
}
const tokenOf = (path: string) => new URL(path, 'http://localhost').searchParams.get('p')!

test('a token gives back what was granted', () => {
  expect(readToken(tokenOf(imagePath(grant)))).toEqual(grant)
})

test('another address under the same signature is refused', () => {
  const [, signature] = tokenOf(imagePath(grant)).split('.')
  const other = Buffer.from(JSON.stringify(['http://127.0.0.1:22/', '127.0.0.1:22'])).toString('base64url')
  expect(readToken(`${other}.${signature}`)).toBeNull()
})

test.each(['', '.', 'x', 'x.y', '..', `${'A'.repeat(5000)}.${'B'.repeat(43)}`])('%j is no token', (token) => {
  expect(readToken(token)).toBeNull()
})

test('a token serves for a working day', () => {
  const token = tokenOf(imagePath(grant, 1_000_000))
  expect(readToken(token, 1_000_000 + 11 * 3_600_000)).toEqual(grant)
  expect(readToken(token, 1_000_000 + 12 * 3_600_000)).toBeNull()
})
