import { expect, test } from 'vitest'
import { imagePath, readToken } from './image-token'

const grant = { url: 'http://127.0.0.1:4301/img/a.png?x=1&y=é', innerHost: '127.0.0.1:4301' }
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
