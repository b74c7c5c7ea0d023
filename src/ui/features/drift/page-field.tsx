'use client'

import { useId } from 'react'

type Props = {
  label: string
  value: string
  onChange: (value: string) => void
  /** Paths that are offered; any address can be typed. */
  offered: readonly string[]
  placeholder?: string
}

/** A field for an address or a path of the site. */
export function PageField({ label, value, onChange, offered, placeholder }: Props) {
  const list = useId()
  return (
    <label className="grid gap-1">
      <span className="font-semibold">{label}</span>
      <input
        className="field font-mono text-small"
        placeholder={placeholder}
        list={list}
        spellCheck={false}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
      <datalist id={list}>
        {offered.map((path) => (
          <option key={path} value={path} />
        ))}
      </datalist>
    </label>
  )
}
