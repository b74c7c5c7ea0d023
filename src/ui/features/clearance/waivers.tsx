'use client'

import { useState } from 'react'
import type { Requirements, Waiver } from '@/core/requirements'
import type { WallRow } from '@/store/database'
import { pagesAt } from '@/store/pages'

type Props = { rows: WallRow[]; requirements: Requirements; onChange: (next: Requirements) => void }

const empty = { rule: '', pages: '', reason: '', by: '', until: '' }

/** Findings that somebody takes on, with a reason, a name, and a last day. */
export function Waivers({ rows, requirements, onChange }: Props) {
  const [draft, setDraft] = useState(empty)
  const waivers = requirements.waivers ?? []
  const rules = [...new Set(rows.flatMap(({ findings }) => findings.map(({ rule }) => rule)))].sort()
  const isReady = rules.includes(draft.rule) && draft.reason.trim() !== '' && draft.by.trim() !== ''
  const add = async () => {
    const row = rows.find(({ path }) => path === draft.pages.trim())
    const title = row && (await pagesAt(row.run, [row.url]))[0]?.page.facts?.title
    const waiver: Waiver = {
      rule: draft.rule,
      ...(draft.pages.trim() ? { pages: draft.pages.trim() } : {}),
      reason: draft.reason.trim(),
      by: draft.by.trim(),
      ...(draft.until ? { until: draft.until } : {}),
      // The page is known by it again when it is called otherwise.
      ...(title ? { content: title } : {}),
    }
    onChange({ ...requirements, waivers: [...waivers, waiver] })
    setDraft({ ...empty, by: draft.by })
  }
  const field = (name: keyof typeof empty, label: string, props: React.InputHTMLAttributes<HTMLInputElement> = {}) => (
    <label className="grid gap-[2px] text-small">
      {label}
      <input
        className="field h-[30px]!"
        value={draft[name]}
        onChange={(event) => setDraft({ ...draft, [name]: event.target.value })}
        {...props}
      />
    </label>
  )
  return (
    <section aria-label="Waivers">
      <h2 className="font-display text-head font-semibold">Waived</h2>
      {waivers.length === 0 && (
        <p className="text-quiet">Nothing is waived. A waiver takes findings out of the way and keeps them in sight.</p>
      )}
      <ul className="grid gap-1">
        {waivers.map((waiver, index) => (
          <li key={`${waiver.rule} ${index}`} className="flex flex-wrap items-baseline gap-3">
            <code className="text-small">{waiver.rule}</code>
            <span className="font-mono text-small text-quiet">{waiver.pages ?? 'all pages'}</span>
            <span>
              “{waiver.reason}”, {waiver.by}
              {waiver.until && `, until ${waiver.until}`}
            </span>
            <button
              type="button"
              className="text-small text-pick hover:underline"
              onClick={() => onChange({ ...requirements, waivers: waivers.filter((one) => one !== waiver) })}
            >
              Take back
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 grid items-end gap-2 md:grid-cols-[170px_150px_minmax(0,1fr)_120px_130px_auto]"
        onSubmit={(event) => {
          event.preventDefault()
          if (isReady) void add()
        }}
      >
        <label className="grid gap-[2px] text-small">
          Finding
          <select
            className="field h-[30px]!"
            value={draft.rule}
            onChange={(event) => setDraft({ ...draft, rule: event.target.value })}
          >
            <option value="">choose …</option>
            {rules.map((rule) => (
              <option key={rule}>{rule}</option>
            ))}
          </select>
        </label>
        {field('pages', 'Pages', { placeholder: 'all, or /news/*' })}
        {field('reason', 'Reason')}
        {field('by', 'Name')}
        {field('until', 'Until', { type: 'date' })}
        <button type="submit" className="button" disabled={!isReady}>
          Waive
        </button>
      </form>
    </section>
  )
}
