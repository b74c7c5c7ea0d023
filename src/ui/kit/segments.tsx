'use client'

import { clsx } from 'clsx'

/** A few choices side by side, of which one holds. */
export function Segments<T extends string>({
  name,
  choices,
  chosen,
  onChoose,
  className,
}: {
  /** What is chosen, for those who don't see it. */
  name: string
  choices: readonly { id: T; name: string }[]
  /** null when none of them holds. */
  chosen: T | null
  onChoose: (id: T) => void
  className?: string
}) {
  return (
    <fieldset className={clsx('flex rounded-card bg-soft p-[3px]', className)}>
      <legend className="sr-only">{name}</legend>
      {choices.map((choice) => (
        <button
          key={choice.id}
          type="button"
          aria-pressed={choice.id === chosen}
          onClick={() => onChoose(choice.id)}
          className={clsx(
            'h-[26px] flex-1 whitespace-nowrap rounded-[5px] px-2 text-[12px]',
            choice.id === chosen ? 'bg-sheet font-semibold shadow-sm' : 'text-quiet hover:text-ink',
          )}
        >
          {choice.name}
        </button>
      ))}
    </fieldset>
  )
}
