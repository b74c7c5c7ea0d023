'use client'

import { clsx } from 'clsx'
import type { ReactNode } from 'react'

/** One line of the template: what it is about at the left, what can be set at the right. */
export function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <span className="self-start pt-[5px] text-quiet">{name}</span>
      <span className="flex min-w-0 flex-wrap items-center gap-1">{children}</span>
    </>
  )
}

export function ColorField({
  name,
  value,
  onChange,
}: {
  name: string
  value: string
  onChange: (color: string) => void
}) {
  return (
    <input
      type="color"
      aria-label={name}
      title={`${name}: ${value}`}
      className="h-[28px] w-[34px] shrink-0"
      value={value}
      onChange={({ target }) => onChange(target.value)}
    />
  )
}

/** A choice from a list, without a label of its own: its row has one. */
export function Choice<T extends string>({
  name,
  value,
  choices,
  onChange,
  className,
}: {
  name: string
  value: T
  choices: readonly { id: T; name: string }[]
  onChange: (id: T) => void
  className?: string
}) {
  return (
    <select
      aria-label={name}
      className={clsx('field h-[28px]! min-w-0 flex-1', className)}
      value={value}
      onChange={({ target }) => onChange(target.value as T)}
    >
      {choices.map((choice) => (
        <option key={choice.id} value={choice.id}>
          {choice.name}
        </option>
      ))}
    </select>
  )
}

/** A share as per cent, by a slider. */
export function ShareField({
  name,
  value,
  most,
  step,
  onChange,
}: {
  name: string
  value: number
  most: number
  step: number
  onChange: (share: number) => void
}) {
  return (
    <label className="flex w-full items-center gap-2 text-small text-quiet">
      <span className="w-[52px]">{name}</span>
      <input
        type="range"
        min={0}
        max={most}
        step={step}
        className="min-w-0 flex-1 accent-(--ink)"
        value={value}
        onChange={({ target }) => onChange(Number(target.value))}
      />
      <span className="w-[34px] text-right tabular-nums">{Math.round(value * 1000) / 10} %</span>
    </label>
  )
}
