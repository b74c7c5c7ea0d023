import type { ReactNode } from 'react'

/** What fills an area that has nothing to show: says why, and what to do. */
export function Notice({ text, children }: { text: string; children?: ReactNode }) {
  return (
    <div className="grid h-full place-content-center justify-items-center gap-4 p-8 text-center">
      <p className="max-w-[44ch] text-quiet">{text}</p>
      {children}
    </div>
  )
}
