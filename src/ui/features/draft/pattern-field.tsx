'use client'

import { clsx } from 'clsx'
import { useId } from 'react'
import { PatternFault, parsePattern, patternParts } from '@/core/draft'

/** The fault of a pattern; null when it can be read, or is empty. */
export function faultOf(source: string): PatternFault | null {
  if (source === '') return null
  try {
    parsePattern(source)
    return null
  } catch (error) {
    if (error instanceof PatternFault) return error
    throw error
  }
}

/** A pattern as it is typed; its fault points at the character. */
export function PatternField({
  name,
  example,
  value,
  isSeen = true,
  onSee,
  onChange,
}: {
  name: string
  /** What may be written, shown while nothing is. */
  example: string
  value: string
  /** What it makes is shown below. */
  isSeen?: boolean
  onSee?: () => void
  onChange: (value: string) => void
}) {
  const id = useId()
  const fault = faultOf(value)
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="font-semibold">
        {name}
      </label>
      <input
        id={id}
        className="field font-mono text-small"
        value={value}
        aria-invalid={fault !== null}
        aria-describedby={`${id}-help`}
        placeholder={example}
        onFocus={onSee}
        onChange={(event) => onChange(event.target.value)}
      />
      <div id={`${id}-help`} className={clsx('text-fine', !isSeen && fault === null && 'max-md:hidden md:invisible')}>
        {fault ? (
          <p className="text-wrong">
            <span aria-hidden="true" className="block px-[11px] font-mono text-small leading-none whitespace-pre">
              {' '.repeat(fault.at)}▲
            </span>
            Character {fault.at + 1}: {fault.message}
          </p>
        ) : (
          <p className="text-quiet">
            Parts: {patternParts.map((part) => `{${part}}`).join(' ')}. A group in [ ] goes when a part of it is empty;
            a digit after it says which goes first when the text doesn’t fit.
          </p>
        )}
      </div>
    </div>
  )
}
