'use client'

import { clsx } from 'clsx'
import { Fragment, useId, useState } from 'react'
import { type CutMark, type TextHelp, trimAt, unfitIn } from '@/core/draft'
import { FieldState } from './field-head'

type Props = {
  name: string
  /** Set: a text; null: taken out; undefined: inherits. */
  value: string | null | undefined
  /** What is shown when nothing is set here, and where that comes from. */
  inherited: string | null
  inheritedFrom: string | null
  marks?: CutMark[]
  helps?: TextHelp[]
  lines: number
  canTakeOut: boolean
  onChange: (value: string | null | undefined) => void
}

const TEXT = 'px-[10px] py-[6px] text-body leading-[19px] whitespace-pre-wrap [overflow-wrap:anywhere]'

/** A text of a draft: inherited, set or taken out, with the marks where places cut it. */
export function DraftTextField({
  name,
  value,
  inherited,
  inheritedFrom,
  marks = [],
  helps = [],
  lines,
  canTakeOut,
  onChange,
}: Props) {
  const id = useId()
  const [unfit, setUnfit] = useState<string | null>(null)
  const text = value ?? ''
  const isSet = typeof value === 'string'
  const shown = isSet ? text : (inherited ?? '')
  const offered = helps.filter((help) => !(isSet && help.text === text))
  return (
    <div>
      <div className="mb-1 flex items-baseline gap-2">
        <label htmlFor={id} className="font-semibold">
          {name}
        </label>
        <FieldState value={value} inheritedFrom={inheritedFrom} />
        <span className="ml-auto font-mono text-fine text-quiet tabular-nums">{[...shown].length}</span>
      </div>
      <div className="relative rounded-card border border-line bg-sheet focus-within:border-pick">
        <Mirror text={shown} marks={marks} />
        <textarea
          id={id}
          rows={lines}
          value={text}
          placeholder={value === null ? (inherited ?? 'nothing') : (inherited ?? '')}
          onChange={({ target }) => {
            const found = unfitIn(target.value)
            setUnfit(found)
            if (found === null) onChange(target.value)
          }}
          onKeyDown={(event) => {
            const help = event.altKey ? offered[Number(event.code.replace('Digit', '')) - 1] : undefined
            if (!help) return
            event.preventDefault()
            onChange(help.text)
          }}
          className={clsx(
            TEXT,
            'relative block field-sizing-content w-full resize-none bg-transparent outline-none placeholder:text-quiet',
          )}
          style={{ minHeight: lines * 19 + 14 }}
        />
      </div>
      {unfit !== null && (
        <p role="alert" className="mt-1 text-small text-wrong">
          Not taken: the text holds {unfit}, which no page can carry.
        </p>
      )}
      {marks.length > 0 && (
        <ol className="mt-1 grid gap-[2px] text-fine text-quiet">
          {marks.map(({ at, places, lost }, index) => {
            const trimmed = isSet ? trimAt(shown, at) : null
            return (
              <li key={at} className="flex gap-[6px]">
                <span className="font-mono">{index + 1}</span>
                <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                  {places.join(', ')} {places.length === 1 ? 'cuts' : 'cut'} here; lost: “{lost}”
                </span>
                {trimmed && (
                  <button
                    type="button"
                    className="shrink-0 text-pick hover:underline"
                    title={trimmed}
                    onClick={() => onChange(trimmed)}
                  >
                    Trim to here
                  </button>
                )}
              </li>
            )
          })}
        </ol>
      )}
      <div className="mt-1 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-fine">
        {value !== undefined && (
          <button type="button" className="text-pick hover:underline" onClick={() => onChange(undefined)}>
            Inherit
          </button>
        )}
        {value !== null && canTakeOut && (
          <button type="button" className="text-pick hover:underline" onClick={() => onChange(null)}>
            Take the tag out
          </button>
        )}
        {offered.length > 0 && <span className="text-quiet">Use:</span>}
        {offered.map((help, index) => (
          <button
            key={help.from + help.text}
            type="button"
            className="font-mono text-fine text-pick hover:underline"
            aria-label={help.from}
            aria-keyshortcuts={`Alt+${index + 1}`}
            title={`Alt ${index + 1} in the field: ${help.text}`}
            onClick={() => onChange(help.text)}
          >
            {help.from} <kbd className="text-sign text-quiet">Alt {index + 1}</kbd>
          </button>
        ))}
      </div>
    </div>
  )
}

/** The same text under the field, seen only by its marks: they stand where the letters stand. */
function Mirror({ text, marks }: { text: string; marks: readonly CutMark[] }) {
  if (marks.length === 0) return null
  const ends = [...marks.map(({ at }) => at), text.length]
  return (
    <div aria-hidden="true" className={clsx(TEXT, 'pointer-events-none absolute inset-0 text-transparent')}>
      {text.slice(0, ends[0])}
      {marks.map(({ at }, index) => (
        <Fragment key={at}>
          <span className="relative">
            <span className="absolute left-0 top-[1px] h-[16px] border-l-[1.5px] border-dashed border-ink" />
            <span className="absolute -left-[2px] top-[13px] font-mono text-sign leading-none text-ink">
              {index + 1}
            </span>
          </span>
          {text.slice(at, ends[index + 1])}
        </Fragment>
      ))}
    </div>
  )
}
