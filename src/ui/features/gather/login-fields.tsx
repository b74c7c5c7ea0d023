'use client'

import type { CrawlRequest } from '@/core/crawl'

/** A login as it is typed: a user with a password, and headers, one a line. */
export type LoginText = { user: string; password: string; headers: string }

export const NO_LOGIN: LoginText = { user: '', password: '', headers: '' }

/** The login that was typed, null for none; or the sentence that says what is wrong with it. */
export function loginOf({ user, password, headers }: LoginText): { login: CrawlRequest['login'] } | { fault: string } {
  const lines = headers.split('\n').filter((line) => line.trim() !== '')
  const bad = lines.find((line) => !/^[^:\s]+\s*:/.test(line))
  if (bad !== undefined) return { fault: `“${bad.trim()}” is no header. Write it as Name: value` }
  if (user === '' && lines.length === 0) return { login: null }
  return {
    login: {
      user: user === '' ? null : user,
      password,
      headers: lines.map((line) => ({
        name: line.slice(0, line.indexOf(':')).trim(),
        value: line.slice(line.indexOf(':') + 1).trim(),
      })),
    },
  }
}

const FIELD = 'field font-mono text-small'

/** Fields of a login for staging. */
export function LoginFields({
  fields,
  onChange,
}: {
  fields: LoginText
  onChange: (change: Partial<LoginText>) => void
}) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <label className="grid gap-1">
        User
        <input
          className={FIELD}
          autoComplete="off"
          spellCheck={false}
          value={fields.user}
          onChange={(event) => onChange({ user: event.target.value })}
        />
      </label>
      <label className="grid gap-1">
        Password
        <input
          className={FIELD}
          type="password"
          autoComplete="off"
          value={fields.password}
          onChange={(event) => onChange({ password: event.target.value })}
        />
      </label>
      <label className="col-span-2 grid gap-1">
        Headers, one a line
        <textarea
          className="field h-[52px]! py-1 font-mono text-small"
          placeholder="X-Preview: token"
          spellCheck={false}
          value={fields.headers}
          onChange={(event) => onChange({ headers: event.target.value })}
        />
      </label>
    </div>
  )
}
