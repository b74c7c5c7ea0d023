'use client'

import { clsx } from 'clsx'
import { useEffect, useState } from 'react'

/** A whole number as it is typed: it counts once it is within its bounds, and what was typed stays meanwhile. */
export function NumberField({
  name,
  value,
  least,
  most,
  onChange,
  className,
}: {
  name: string
  value: number
  least: number
  most: number
  onChange: (value: number) => void
  className?: string
}) {
  const [text, setText] = useState(String(value))
  useEffect(() => setText(String(value)), [value])
  const isWrong = !isWithin(text, least, most)
  return (
    <input
      className={clsx('field h-[28px]! w-[64px]! px-1! text-center', className)}
      inputMode="numeric"
      aria-label={name}
      aria-invalid={isWrong}
      title={isWrong ? `${least} to ${most}` : undefined}
      value={text}
      onBlur={() => setText(String(value))}
      onChange={({ target }) => {
        setText(target.value)
        if (isWithin(target.value, least, most)) onChange(Number(target.value))
      }}
    />
  )
}

function isWithin(text: string, least: number, most: number): boolean {
  const value = Number(text)
  return text.trim() !== '' && Number.isInteger(value) && value >= least && value <= most
}
