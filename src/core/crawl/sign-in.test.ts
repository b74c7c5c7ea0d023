import { describe, expect, test } from 'vitest'
import { SignIns } from './sign-in'

const site = 'https://staging.site.example'
const wordsFor = (...redirects: [from: string, to: string][]) => {
  const watch = new SignIns()
  for (const [from, to] of redirects) watch.note(from, to)
  return watch.words()?.message ?? null
}

describe('a redirect to a sign-in page', () => {
  test.each([
    [`${site}/login?next=/`],
    [`${site}/users/sign_in`],
    [`${site}/wp/login.php`],
    [`${site}/sso/start`],
    ['https://login.identity.example/oauth2/authorize?client=1'],
    ['https://accounts.identity.example/'],
  ])('%s', (to) => expect(wordsFor([`${site}/`, to])).toContain(`${site}/ redirects to a sign-in page, ${to}`))

  test.each([
    [`${site}/`, `${site}/en/`],
    [`${site}/old`, `${site}/authors/`],
    [`${site}/a`, `${site}/blog/login-flows-explained`],
    [`${site}/login`, `${site}/login/`],
    [`${site}/sign-in`, `${site}/login`],
  ])('%s to %s is none', (from, to) => expect(wordsFor([from, to])).toBeNull())

  test('several are counted', () => {
    expect(wordsFor([`${site}/a`, `${site}/login`], [`${site}/b`, `${site}/login`])).toMatch(
      /^2 URLs, such as .*\/a, redirect/,
    )
  })
})
