'use client'

import { useMemo, useState } from 'react'
import { LEVELS } from '@/core/model'
import type { Requirements, Waiver } from '@/core/requirements'
import type { WallRow } from '@/store/database'
import { pagesAt } from '@/store/pages'
import { count } from '../../kit/words'
import { type WaiverEffect, waiverEffect } from './waiver-effect'

type Props = { rows: WallRow[]; site: string; requirements: Requirements; onChange: (next: Requirements) => void }

const empty = { rule: '', pages: '', reason: '', by: '', until: '' }

/** Findings that somebody takes on, with a reason, a name, and a last day. */
export function Waivers({ rows, site, requirements, onChange }: Props) {
  const [draft, setDraft] = useState(empty)
  const waivers = requirements.waivers ?? []
  const rules = [...new Set(rows.flatMap(({ findings }) => findings.map(({ rule }) => rule)))].sort()
  const effect = useMemo(
    () => (draft.rule === '' ? null : waiverEffect(rows, site, draft.rule, draft.pages)),
    [rows, site, draft.rule, draft.pages],
  )
  const isReady = effect !== null && effect.pages > 0 && draft.reason.trim() !== '' && draft.by.trim() !== ''
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
      {effect && (
        <Effect effect={effect} glob={draft.pages.trim()} onMeant={(pages) => setDraft({ ...draft, pages })} />
      )}
    </section>
  )
}

/** What the waiver would take away, said before it is kept. */
function Effect({
  effect: { pages, levels, matched, meant },
  glob,
  onMeant,
}: {
  effect: WaiverEffect
  glob: string
  onMeant: (glob: string) => void
}) {
  if (matched === 0)
    return (
      <p role="status" className="mt-1 text-small text-warn">
        No page lies under “{glob}”.
        {meant && (
          <>
            {' '}
            <button type="button" className="text-pick hover:underline" onClick={() => onMeant(meant)}>
              Use {meant}
            </button>
          </>
        )}
      </p>
    )
  const gone = LEVELS.flatMap((level) => (levels[level] > 0 ? [count(levels[level], level)] : [])).join(', ')
  return (
    <p role="status" className="mt-1 text-small text-quiet">
      {pages === 0
        ? `None of these ${count(matched, 'page')} has this finding: there is nothing to waive.`
        : `Takes ${gone} on ${count(pages, 'page')} out of the way.`}
    </p>
  )
}
