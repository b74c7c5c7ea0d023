'use client'

import { useState } from 'react'
import type { CrawlRequest } from '@/core/crawl'
import { LoginFields, loginOf, NO_LOGIN } from './login-fields'

/** A run that came to a login: what was behind it was not read, and can be with a login given here. */
export function LoginWanted({
  words,
  onLogin,
}: {
  words: string
  onLogin: (login: NonNullable<CrawlRequest['login']>) => void
}) {
  const [fields, setFields] = useState(NO_LOGIN)
  const [fault, setFault] = useState<string | null>(null)
  const submit = (event: React.FormEvent) => {
    event.preventDefault()
    const read = loginOf(fields)
    if ('fault' in read) setFault(read.fault)
    else if (!read.login) setFault('Give a user, or a header.')
    else onLogin(read.login)
  }
  return (
    <form
      onSubmit={submit}
      noValidate
      aria-label="Login"
      className="grid gap-3 rounded-card border border-line bg-sheet p-3"
    >
      <p className="font-semibold">{words}</p>
      <LoginFields fields={fields} onChange={(change) => setFields((now) => ({ ...now, ...change }))} />
      <p className="text-quiet">It goes to that host only, and is forgotten with the run.</p>
      <div>
        <button type="submit" className="button button-main">
          Run again with it
        </button>
      </div>
      {fault && (
        <p role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </form>
  )
}
