'use client'

import { clsx } from 'clsx'
import { useMemo } from 'react'
import type { WallRow } from '@/store/database'
import { Segments } from '../../kit/segments'
import type { GoTo } from '../../state/view/use-view'
import { type RouteState, type Symptom, symptoms } from '../../state/view/view'
import { countWithin } from '../../state/wall/select-rows'

const NAMES: Record<Symptom, string> = {
  errors: 'With errors',
  'fell-back': 'Fell back',
  'same-picture': 'Same picture',
  'text-cut': 'Text cut',
  'no-picture': 'No picture',
  changed: 'Changed since the launch',
}

const SIZES = [
  { id: 'small', name: 'S', about: 'Small cards: more at once' },
  { id: 'medium', name: 'M', about: 'Cards whose text can be read' },
  { id: 'large', name: 'L', about: 'Cards at their true size' },
] as const

type Props = {
  rows: WallRow[]
  view: RouteState
  goTo: GoTo
  shownCount: number
  /** How far what changed since the baseline is known; null where no run of the site is said to be live. */
  changes: 'unknown' | 'working' | 'known' | null
}

/** Narrows the wall. Chosen symptoms combine: a card must show them all. */
export function SymptomBar({ rows, view, goTo, shownCount, changes }: Props) {
  const offered = changes === null ? symptoms.filter((symptom) => symptom !== 'changed') : symptoms
  const { surface, section, symptoms: chosen, search } = view
  const counts = useMemo(
    () => countWithin(rows, { surface, section, symptoms: chosen, search }, symptoms),
    [rows, surface, section, chosen, search],
  )
  const isCounted = (symptom: Symptom) => symptom !== 'changed' || changes === 'known'
  const toggle = (symptom: Symptom) => {
    const isOn = view.symptoms.includes(symptom)
    goTo({ symptoms: isOn ? view.symptoms.filter((one) => one !== symptom) : [...view.symptoms, symptom] }, 'replace')
  }
  const look = (isOn: boolean) =>
    clsx(
      'h-[27px] whitespace-nowrap rounded-[6px] border px-[10px] text-small',
      isOn ? 'border-ink bg-ink text-ground' : 'border-line bg-sheet hover:border-quiet',
    )
  return (
    <div className="flex flex-wrap items-center gap-[6px] px-4 pb-2 pt-[10px]">
      <button
        type="button"
        aria-pressed={view.symptoms.length === 0}
        className={look(view.symptoms.length === 0)}
        onClick={() => goTo({ symptoms: [] }, 'replace')}
      >
        Everything <b className="ml-1 font-semibold tabular-nums">{counts.all.toLocaleString('en')}</b>
      </button>
      {offered.map((symptom) => {
        const isOn = view.symptoms.includes(symptom)
        return (
          <button
            key={symptom}
            type="button"
            aria-pressed={isOn}
            disabled={isCounted(symptom) && counts[symptom] === 0 && !isOn}
            className={clsx(look(isOn), 'disabled:opacity-45')}
            onClick={() => toggle(symptom)}
          >
            {NAMES[symptom]}{' '}
            {isCounted(symptom) ? (
              <b className="ml-1 font-semibold tabular-nums">{counts[symptom].toLocaleString('en')}</b>
            ) : (
              changes === 'working' && ' …'
            )}
          </button>
        )
      })}
      <Segments
        size="small"
        name="Card size"
        choices={SIZES}
        chosen={view.size}
        onChoose={(size) => goTo({ size }, 'replace')}
        className="ml-auto max-md:hidden"
      />
      <span role="status" className="sr-only">
        {shownCount} pages shown
      </span>
    </div>
  )
}
