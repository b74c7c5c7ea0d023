import { defineCheck } from '../define-check'

const said = (value: string | null) => (value === null ? 'nothing' : `“${value}”`)
const isRefused = (status: number | null) => status === null || status >= 400

export const crawlerServedDifferently = defineCheck({
  id: 'crawler-served-differently',
  label: 'crawler sees another',
  subject: 'access',
  family: 'access',
  level: 'warning',
  scope: 'access',
  looksAt: 'What the page says to a surface’s crawler, against what it says to us (a run with --ask-as).',
  why: 'What you see is not what the place sees: a firewall or a rule of the server knows its crawler.',
  messages: {
    differs: {
      says: 'Asked as {token}, {key} says {here}; asked as NimbleParrot, {there}.{more}',
      fix: 'Serve every crawler the same page.',
      repair: { do: 'askPerson', needs: 'a server that gives every crawler the same page', where: 'server' },
    },
    refused: {
      says: 'Asked as {token}, the page answers {here}; asked as NimbleParrot, {there}.',
      fix: 'Let {token} in: look at rules for user agents, and at protection against robots.',
      repair: { do: 'askPerson', needs: 'a server that lets {token} in', where: 'server' },
    },
  },
  check(page) {
    const look = page.secondLooks?.find(({ how }) => how === 'as-ourselves')
    if (!look?.askedAs || look.error !== null) return []
    const token = look.askedAs
    const { status, error } = page.fetch
    if (isRefused(status) !== isRefused(look.status)) {
      const here = status === null ? `nothing (${error})` : String(status)
      return [{ message: 'refused', data: { token, here, there: String(look.status) } }]
    }
    const [first, ...others] = look.differs
    if (!first) return []
    const more =
      others.length === 0 ? '' : ` ${others.length} more ${others.length === 1 ? 'tag differs' : 'tags differ'}.`
    return [
      { message: 'differs', data: { token, key: first.key, here: said(first.here), there: said(first.there), more } },
    ]
  },
})
