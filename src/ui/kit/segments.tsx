'use client'

import { clsx } from 'clsx'
import { ToggleGroup } from 'radix-ui'

const SIZES = {
  usual: {
    group: 'rounded-card bg-soft p-[3px]',
    item: 'h-[26px] flex-1 rounded-[5px] px-2',
    chosen: 'bg-sheet font-semibold shadow-sm',
  },
  small: {
    group: 'rounded-[6px] border border-line bg-sheet p-[2px]',
    item: 'h-[21px] rounded-[4px] px-[7px]',
    chosen: 'bg-soft font-semibold',
  },
}

/** A few choices side by side, of which one holds: one stop for Tab, arrows move within. */
export function Segments<T extends string>({
  name,
  choices,
  chosen,
  onChoose,
  size = 'usual',
  className,
}: {
  /** What is chosen, for those who don't see it. */
  name: string
  /** `about`: what the choice means, where its name doesn't say all of it. */
  choices: readonly { id: T; name: string; about?: string }[]
  /** null when none of them holds. */
  chosen: T | null
  onChoose: (id: T) => void
  /** `small`: beside what it changes, in a bar of other controls. */
  size?: keyof typeof SIZES
  className?: string
}) {
  const look = SIZES[size]
  return (
    <ToggleGroup.Root
      type="single"
      role="radiogroup"
      aria-label={name}
      value={chosen ?? ''}
      // What holds already stays: an empty value is a second press on it.
      onValueChange={(id) => id !== '' && onChoose(id as T)}
      className={clsx('flex', look.group, className)}
    >
      {choices.map((choice) => (
        <ToggleGroup.Item
          key={choice.id}
          value={choice.id}
          title={choice.about}
          className={clsx(
            'whitespace-nowrap text-small',
            look.item,
            choice.id === chosen ? look.chosen : 'text-quiet hover:text-ink',
          )}
        >
          {choice.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
