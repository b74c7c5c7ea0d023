'use client'

import { useId, useState } from 'react'
import type { GatherSource } from '@/workers/protocol'
import { completeAddress, crawlFrom } from '../../state/run/sources'
import { LoginFields, loginOf } from './login-fields'

type Fields = {
  address: string
  site: string
  ignoreRobots: boolean
  user: string
  password: string
  headers: string
  include: string
  exclude: string
  perSection: string
}

const EMPTY: Fields = {
  address: '',
  site: '',
  ignoreRobots: false,
  user: '',
  password: '',
  headers: '',
  include: '',
  exclude: '',
  perSection: '',
}

const linesOf = (text: string) =>
  text
    .split(/[\n,]/)
    .map((line) => line.trim())
    .filter((line) => line !== '')

/** The fields as a request, or the sentence that says what is wrong with them. */
export function requestOf(fields: Fields): { source: GatherSource } | { fault: string } {
  const start = completeAddress(fields.address)
  const site = completeAddress(fields.site)
  if (start === null) return { fault: `“${fields.address.trim()}” is no http address. Try http://localhost:3000` }
  if (site === null && fields.site.trim() !== '')
    return { fault: `“${fields.site.trim()}” is no http address. Try https://example.org` }
  const read = loginOf(fields)
  if ('fault' in read) return read
  const { login } = read
  const perSection = fields.perSection.trim() === '' ? null : Number(fields.perSection)
  if (perSection !== null && !(Number.isInteger(perSection) && perSection > 0))
    return { fault: 'Pages a section must be a whole number from 1 on.' }
  const { ignoreRobots } = fields
  return {
    source: crawlFrom(start, {
      site,
      ignoreRobots,
      login,
      perSection,
      include: linesOf(fields.include),
      exclude: linesOf(fields.exclude),
    }),
  }
}

function fieldsOf(given: GatherSource | null): Fields {
  if (given?.kind !== 'crawl' || given.request.from.kind !== 'url') return EMPTY
  const { from, site, ignoreRobots = false } = given.request
  return { ...EMPTY, address: from.start, site: site ?? '', ignoreRobots }
}

export function AddressForm({
  onStart,
  given,
  isLoginWanted = false,
}: {
  onStart: (source: GatherSource) => void
  given: GatherSource | null
  /** The run before had a login, which is never kept: its fields are open. */
  isLoginWanted?: boolean
}) {
  const id = useId()
  const [fields, setFields] = useState(() => fieldsOf(given))
  const [fault, setFault] = useState<string | null>(null)
  const set = (change: Partial<Fields>) => setFields((now) => ({ ...now, ...change }))
  const submit = (event: React.FormEvent) => {
    event.preventDefault()
    const result = requestOf(fields)
    if ('fault' in result) {
      setFault(result.fault)
      return
    }
    setFault(null)
    onStart(result.source)
  }
  const field = (name: keyof Fields & string) => ({
    id: `${id}-${name}`,
    value: String(fields[name]),
    onChange: (event: React.ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => set({ [name]: event.target.value }),
    spellCheck: false,
    className: 'field font-mono text-small',
  })
  return (
    <form onSubmit={submit} className="grid gap-3" noValidate>
      <div className="grid gap-1">
        <label htmlFor={`${id}-address`} className="font-semibold">
          Address
        </label>
        <input
          {...field('address')}
          placeholder="http://localhost:3000"
          inputMode="url"
          autoComplete="url"
          aria-describedby={fault ? `${id}-fault` : undefined}
          aria-invalid={fault !== null}
        />
      </div>
      <div className="grid gap-1">
        <label htmlFor={`${id}-site`} className="font-semibold">
          Production address{' '}
          <span className="font-normal text-quiet">– left empty, it is taken from what the pages name</span>
        </label>
        <input {...field('site')} placeholder="https://example.org" inputMode="url" />
      </div>
      <details className="group" open={isLoginWanted}>
        <summary className="cursor-pointer text-quiet group-open:mb-2">
          Staging behind a login, robots.txt, which pages
        </summary>
        <LoginFields fields={fields} onChange={set} />
        <div className="mt-3 grid grid-cols-2 gap-3">
          <label className="grid gap-1">
            Only these paths
            <input {...field('include')} placeholder="/guides/**, /tools/*" />
          </label>
          <label className="grid gap-1">
            Not these paths
            <input {...field('exclude')} placeholder="/archive/**" />
          </label>
          <label className="grid gap-1">
            Pages a section at most
            <input {...field('perSection')} placeholder="all" inputMode="numeric" />
          </label>
          <label className="flex items-center gap-2 self-end pb-2">
            <input
              type="checkbox"
              checked={fields.ignoreRobots}
              onChange={(event) => set({ ignoreRobots: event.target.checked })}
            />
            Pass over robots.txt
          </label>
          <p className="col-span-2 text-quiet">
            Login and headers go to that host only, and are forgotten with the run.
          </p>
        </div>
      </details>
      <div>
        <button type="submit" className="button button-main">
          Gather pages
        </button>
      </div>
      {fault && (
        <p id={`${id}-fault`} role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </form>
  )
}
