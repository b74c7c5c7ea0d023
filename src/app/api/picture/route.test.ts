import { afterEach, expect, test, vi } from 'vitest'
import { forgetClients } from '@/io/client-limits'
import { POST } from './route'

const ask = (body: string) =>
  POST(
    new Request('http://127.0.0.1:4300/api/picture', {
      method: 'POST',
      headers: { host: '127.0.0.1:4300', origin: 'http://127.0.0.1:4300', 'content-type': 'application/json' },
      body,
    }),
  )

afterEach(() => {
  vi.unstubAllEnvs()
  forgetClients()
})

test('no inner address is asked, whatever its form, and no login is answered', async () => {
  for (const url of [
    'http://127.0.0.1:9/a.png',
    'http://ada:hush@[::ffff:127.0.0.1]/a.png',
    'http://localhost:9/a.png',
  ]) {
    const response = await ask(JSON.stringify({ url }))
    const image = await response.json()
    expect(image).toMatchObject({ errorCode: 'forbidden', served: null })
    expect(JSON.stringify(image)).not.toContain('hush')
  }
})

test('more than an address is not read', async () => {
  expect((await ask(JSON.stringify({ url: `http://a.example/${'x'.repeat(20_000)}` }))).status).toBe(413)
  expect((await ask('{"url":"file:///etc/passwd"}')).status).toBe(400)
})
