'use client'

import { useState } from 'react'
import { checks } from '@/core/check'
import { DEFAULT_LIMITS, LevelOrOff, type Requirements } from '@/core/requirements'

import { useSurfaces } from '../../state/surface/use-surfaces'
import { OwnSurfaces } from './own-surfaces'

type Props = {
  requirements: Requirements
  /** To be seen before it is kept. */
  onChange: (next: Requirements) => void
  /** Places come and go at once: they are there or not. */
  onArrange: (next: Requirements) => void
}

const LIMITS = [
  { field: 'titleCharacters', name: 'Titles up to', unit: 'characters' },
  { field: 'descriptionCharacters', name: 'Descriptions up to', unit: 'characters' },
  { field: 'pictureBytes', name: 'Pictures up to', unit: 'bytes' },
] as const

/** What holds for the whole site: places that count, limits, levels of checks. */
export function SiteRules({ requirements, onChange, onArrange }: Props) {
  const [rule, setRule] = useState('')
  const surfaces = useSurfaces()
  const counted = requirements.surfaces ?? surfaces.map(({ id }) => id)
  const toggle = (id: string) => {
    const next = counted.includes(id) ? counted.filter((one) => one !== id) : [...counted, id]
    onChange({ ...requirements, surfaces: next.length === surfaces.length ? undefined : next })
  }
  const levels = Object.entries(requirements.levels ?? {})
  const setLevel = (id: string, level: LevelOrOff | null) => {
    const { [id]: _old, ...others } = requirements.levels ?? {}
    onChange({ ...requirements, levels: level === null ? others : { ...others, [id]: level } })
  }
  return (
    <section aria-label="Requirements of the whole site">
      <h2 className="font-display text-head font-semibold">What holds everywhere</h2>
      <div className="mt-2 grid gap-5 md:grid-cols-3">
        <fieldset>
          <legend className="mb-1 font-semibold">Places that count</legend>
          <div className="grid grid-cols-2 gap-[2px]">
            {surfaces.map(({ id, name }) => (
              <label key={id} className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="accent-pick"
                  checked={counted.includes(id)}
                  onChange={() => toggle(id)}
                />
                {name}
              </label>
            ))}
          </div>
          <OwnSurfaces requirements={requirements} onChange={onArrange} />
        </fieldset>
        <fieldset>
          <legend className="mb-1 font-semibold">Limits</legend>
          {LIMITS.map(({ field, name, unit }) => (
            <label key={field} className="mb-1 grid grid-cols-[130px_90px_1fr] items-center gap-2">
              {name}
              <input
                type="number"
                min={1}
                className="field h-[28px]!"
                placeholder={String(DEFAULT_LIMITS[field])}
                defaultValue={requirements.limits?.[field] ?? ''}
                onBlur={(event) => {
                  const value = event.target.value === '' ? undefined : Number(event.target.value)
                  if (value !== requirements.limits?.[field] && (value === undefined || value > 0))
                    onChange({ ...requirements, limits: { ...requirements.limits, [field]: value } })
                }}
              />
              <span className="text-quiet">{unit}</span>
            </label>
          ))}
        </fieldset>
        <fieldset>
          <legend className="mb-1 font-semibold">Levels of checks</legend>
          <ul className="grid gap-1">
            {levels.map(([id, level]) => (
              <li key={id} className="flex items-center gap-2">
                <code className="min-w-0 flex-1 truncate text-small">{id}</code>
                <select
                  aria-label={`Level of ${id}`}
                  className="field h-[28px]! w-[96px]!"
                  value={level}
                  onChange={(event) => setLevel(id, event.target.value as LevelOrOff)}
                >
                  {LevelOrOff.options.map((one) => (
                    <option key={one}>{one}</option>
                  ))}
                </select>
                <button
                  type="button"
                  className="text-small text-pick hover:underline"
                  onClick={() => setLevel(id, null)}
                >
                  As usual
                </button>
              </li>
            ))}
          </ul>
          <form
            className="mt-1 flex gap-2"
            onSubmit={(event) => {
              event.preventDefault()
              const check = checks.find(({ id }) => id === rule)
              if (!check) return
              setLevel(rule, 'off')
              setRule('')
            }}
          >
            <input
              className="field h-[28px]! font-mono text-small"
              list="all-checks"
              aria-label="Check whose level changes"
              placeholder="id of a check"
              value={rule}
              onChange={(event) => setRule(event.target.value)}
            />
            <datalist id="all-checks">
              {checks.map(({ id }) => (
                <option key={id} value={id} />
              ))}
            </datalist>
            <button type="submit" className="button h-[28px]!" disabled={!checks.some(({ id }) => id === rule)}>
              Change
            </button>
          </form>
        </fieldset>
      </div>
    </section>
  )
}
