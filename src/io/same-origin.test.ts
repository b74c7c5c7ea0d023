import { afterEach, describe, expect, test, vi } from 'vitest'
import { loginHeaders } from './login-headers'
import { refusalOf } from './same-origin'

const request = (headers: Record<string, string>) => new Request('http://ignored.example/', { method: 'POST', headers })
const own = { host: '127.0.0.1:4300', origin: 'http://127.0.0.1:4300', 'content-type': 'application/json' }

afterEach(() => vi.unstubAllEnvs())

describe('who is answered', () => {
  test.each([
    ['our own page', own],
    ['our own page, by its other name', { ...own, host: 'localhost:4300', origin: 'http://localhost:4300' }],
    ['IPv6 loopback', { ...own, host: '[::1]:4300', origin: 'http://[::1]:4300' }],
    [
      'a browser that says same-origin',
      { host: own.host, 'content-type': own['content-type'], 'sec-fetch-site': 'same-origin' },
    ],
  ])('%s', (_name, headers) => {
    expect(refusalOf(request(headers), true)).toBeNull()
  })

  test.each([
    ['another origin', { ...own, origin: 'http://evil.example' }],
    ['another port of this machine', { ...own, origin: 'http://127.0.0.1:9999' }],
    ['an origin that hides itself', { ...own, origin: 'null' }],
    ['a cross-site request', { ...own, 'sec-fetch-site': 'cross-site' }],
    ['a same-site request', { ...own, 'sec-fetch-site': 'same-site' }],
    ['a rebound name', { ...own, host: 'evil.example:4300', origin: 'http://evil.example:4300' }],
    ['no host', { ...own, host: '' }],
    ['a form', { ...own, 'content-type': 'application/x-www-form-urlencoded' }],
    ['a type that only begins alike', { ...own, 'content-type': 'application/json-patch+json' }],
    ['a text', { ...own, 'content-type': 'text/plain;application/json' }],
    ['no origin at all', { host: own.host, 'content-type': own['content-type'] }],
  ])('%s is not', (_name, headers) => {
    expect(refusalOf(request(headers), true)).not.toBeNull()
  })

  test('a name that was allowed by name', () => {
    const named = { ...own, host: 'parrot.example', origin: 'https://parrot.example' }
    expect(refusalOf(request(named), true)).not.toBeNull()
    vi.stubEnv('NIMBLE_PARROT_HOSTS', 'other.example, Parrot.example')
    expect(refusalOf(request(named), true)).toBeNull()
  })

  test('a picture asked for by an address bar needs no JSON', () => {
    expect(refusalOf(request({ host: own.host, 'sec-fetch-site': 'none' }), false)).toBeNull()
    expect(refusalOf(request({ host: own.host, 'sec-fetch-site': 'cross-site' }), false)).not.toBeNull()
  })
})

test.each([
  [
    { user: 'ada', password: 'sécret', headers: [] },
    { authorization: `Basic ${Buffer.from('ada:sécret').toString('base64')}` },
  ],
  [{ user: null, password: '', headers: [{ name: 'Cookie', value: 'a=b' }] }, { cookie: 'a=b' }],
  [
    { user: 'ada', password: '', headers: [{ name: 'Authorization', value: 'other' }] },
    { authorization: 'Basic YWRhOg==' },
  ],
])('loginHeaders(%j)', (login, expected) => {
  expect(loginHeaders(login)).toEqual(expected)
})
