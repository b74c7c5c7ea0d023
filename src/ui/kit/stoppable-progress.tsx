'use client'

/** How far something has come, and a way to stop it. */
export function StoppableProgress({ done, of, onStop }: { done: number; of: number; onStop: () => void }) {
  return (
    <span className="flex items-center gap-2">
      <span aria-live="polite">
        {done} of {of} …
      </span>
      <button type="button" className="button h-[28px]!" onClick={onStop}>
        Stop
      </button>
    </span>
  )
}
