import type { Login } from '@/core/crawl'

/** Headers of a login: those given, and Basic authentication (RFC 7617) from user and password. */
export function loginHeaders(login: Login): Record<string, string> {
  const given = Object.fromEntries(login.headers.map(({ name, value }) => [name.toLowerCase(), value]))
  if (login.user === null) return given
  const basic = Buffer.from(`${login.user}:${login.password}`, 'utf8').toString('base64')
  return { ...given, authorization: `Basic ${basic}` }
}
