'use client'

import { useId } from 'react'
import { type DraftFields, type DraftSlot, type SlotValue, saidBy, slots } from '@/core/draft'
import type { PageFacts } from '@/core/model'

const FIELDS = slots.filter(({ isShort }) => isShort)

type Props = {
  facts: PageFacts
  fields: DraftFields
  onChange: (slot: DraftSlot, value: SlotValue | undefined) => void
  children: React.ReactNode
}

/** Card kind, kind of object, byline and labels: short values in a table of their own. */
export function MoreFields({ facts, fields, onChange, children }: Props) {
  const drafted = FIELDS.filter(({ key }) => fields[key] !== undefined).length
  return (
    <details open={drafted > 0 || undefined} className="border-t border-line pt-2">
      <summary className="cursor-pointer font-semibold">
        Card kind, address, language, byline, labels
        {drafted > 0 && <span className="font-normal text-quiet">, {drafted} set</span>}
      </summary>
      <div className="mt-2">{children}</div>
      <div className="mt-2 grid grid-cols-[92px_minmax(0,1fr)_auto] items-center gap-x-2 gap-y-[6px]">
        {FIELDS.map(({ key: slot, writes, name, choices, isFixed }) => {
          const built = saidBy(facts, writes[0])
          if (isFixed && built === null && fields[slot] === undefined) return null
          return (
            <Field
              key={slot}
              name={name}
              choices={choices}
              value={fields[slot]}
              built={built}
              canTakeOut={!isFixed}
              onChange={(value) => onChange(slot, value)}
            />
          )
        })}
      </div>
    </details>
  )
}

type FieldProps = {
  name: string
  choices: readonly string[] | undefined
  value: SlotValue | undefined
  built: string | null
  canTakeOut: boolean
  onChange: (value: SlotValue | undefined) => void
}

function Field({ name, choices, value, built, canTakeOut, onChange }: FieldProps) {
  const id = useId()
  return (
    <>
      <label htmlFor={id} className="text-small">
        {name}
      </label>
      <input
        id={id}
        list={choices ? `${id}-choices` : undefined}
        className="field h-[28px]! text-small"
        value={value ?? ''}
        placeholder={value === null ? 'taken out' : (built ?? 'none')}
        onChange={(event) => onChange(event.target.value === '' ? undefined : event.target.value)}
      />
      {choices && (
        <datalist id={`${id}-choices`}>
          {choices.map((choice) => (
            <option key={choice} value={choice} />
          ))}
        </datalist>
      )}
      <span className="text-fine">
        {value === undefined ? (
          built !== null &&
          canTakeOut && (
            <button type="button" className="text-pick hover:underline" onClick={() => onChange(null)}>
              Take out
            </button>
          )
        ) : (
          <button type="button" className="text-pick hover:underline" onClick={() => onChange(undefined)}>
            Inherit
          </button>
        )}
      </span>
    </>
  )
}
