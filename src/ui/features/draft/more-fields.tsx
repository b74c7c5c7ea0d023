'use client'

import { useId } from 'react'
import { type DraftFields, type DraftSlot, type SlotValue, saidBy } from '@/core/draft'
import type { PageFacts } from '@/core/model'

/** `isFixed`: it can say something else where it stands; it is neither added nor taken out. */
const FIELDS: { slot: DraftSlot; key: string; name: string; choices?: string[]; isFixed?: true }[] = [
  {
    slot: 'card',
    key: 'twitter:card',
    name: 'Card kind',
    choices: ['summary_large_image', 'summary', 'player', 'app'],
  },
  {
    slot: 'type',
    key: 'og:type',
    name: 'Kind of object',
    choices: ['website', 'article', 'product', 'profile', 'book', 'event', 'place', 'video.movie'],
  },
  { slot: 'siteName', key: 'og:site_name', name: 'Site name' },
  { slot: 'author', key: 'author', name: 'Byline' },
  { slot: 'address', key: 'og:url', name: 'Address' },
  { slot: 'canonical', key: 'canonical', name: 'Canonical' },
  { slot: 'language', key: 'html lang', name: 'Language' },
  { slot: 'locale', key: 'og:locale', name: 'Locale' },
  { slot: 'robots', key: 'robots', name: 'Robots' },
  { slot: 'richName', key: 'json-ld name', name: 'JSON-LD name', isFixed: true },
  { slot: 'label1', key: 'twitter:label1', name: 'Label 1' },
  { slot: 'data1', key: 'twitter:data1', name: 'Data 1' },
  { slot: 'label2', key: 'twitter:label2', name: 'Label 2' },
  { slot: 'data2', key: 'twitter:data2', name: 'Data 2' },
]

type Props = {
  facts: PageFacts
  fields: DraftFields
  onChange: (slot: DraftSlot, value: SlotValue | undefined) => void
  children: React.ReactNode
}

/** Card kind, kind of object, byline and labels: short values in a table of their own. */
export function MoreFields({ facts, fields, onChange, children }: Props) {
  const drafted = FIELDS.filter(({ slot }) => fields[slot] !== undefined).length
  return (
    <details open={drafted > 0 || undefined} className="border-t border-line pt-2">
      <summary className="cursor-pointer font-semibold">
        Card kind, address, language, byline, labels
        {drafted > 0 && <span className="font-normal text-quiet">, {drafted} set</span>}
      </summary>
      <div className="mt-2">{children}</div>
      <div className="mt-2 grid grid-cols-[92px_minmax(0,1fr)_auto] items-center gap-x-2 gap-y-[6px]">
        {FIELDS.map(({ slot, key, name, choices, isFixed }) => {
          const built = saidBy(facts, key)
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
  choices: string[] | undefined
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
