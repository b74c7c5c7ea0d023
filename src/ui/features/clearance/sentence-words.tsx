'use client'

import { clsx } from 'clsx'
import { Popover } from 'radix-ui'
import { type ReactNode, useId, useState } from 'react'
import { listed } from '@/core/text'

type Choice<T extends string> = { id: T; name: string }

/** A word of a sentence that opens what it could be instead. `says` is what stands there. */
function Word({
  name,
  says,
  isQuiet = false,
  children,
}: {
  name: string
  says: string
  /** It adds to the sentence, and says nothing yet. */
  isQuiet?: boolean
  children: (close: () => void) => ReactNode
}) {
  const [isOpen, setIsOpen] = useState(false)
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger
        aria-label={`${name}: ${says}`}
        className={clsx(
          'border-b-2 border-dotted border-quiet hover:border-solid hover:border-ink',
          isQuiet ? 'text-small text-quiet' : 'font-semibold',
        )}
      >
        {says}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={name}
          align="start"
          sideOffset={4}
          collisionPadding={8}
          className="z-30 max-h-[250px] min-w-[210px] overflow-auto rounded-card border border-line bg-sheet p-2 text-body shadow-xl"
        >
          {children(() => setIsOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

const OPTION = 'flex cursor-pointer items-center gap-2 rounded px-2 py-[5px] hover:bg-soft'

/** One of several things. */
export function OneWord<T extends string>({
  name,
  choices,
  chosen,
  onChoose,
}: {
  name: string
  choices: readonly Choice<T>[]
  chosen: T
  onChoose: (id: T) => void
}) {
  const group = useId()
  return (
    <Word name={name} says={choices.find(({ id }) => id === chosen)?.name ?? chosen}>
      {(close) => (
        <fieldset>
          <legend className="sr-only">{name}</legend>
          {choices.map(({ id, name: word }) => (
            <label key={id} className={OPTION}>
              <input
                type="radio"
                name={group}
                className="accent-pick"
                checked={id === chosen}
                onChange={() => onChoose(id)}
                // Arrows go through the choices; a press chooses and is done.
                onClick={({ detail }) => detail > 0 && close()}
              />
              {word}
            </label>
          ))}
        </fieldset>
      )}
    </Word>
  )
}

/** Any number of things. `none`: what is said where there is none. */
export function ManyWords<T extends string>({
  name,
  choices,
  chosen,
  none,
  onChoose,
}: {
  name: string
  choices: readonly Choice<T>[]
  chosen: readonly T[]
  none: string
  onChoose: (ids: T[]) => void
}) {
  const words = choices.flatMap(({ id, name: word }) => (chosen.includes(id) ? [word] : []))
  return (
    <Word name={name} says={words.length === 0 ? none : listed(words)}>
      {() => (
        <fieldset>
          <legend className="sr-only">{name}</legend>
          {choices.map(({ id, name: word }) => (
            <label key={id} className={OPTION}>
              <input
                type="checkbox"
                className="accent-pick"
                checked={chosen.includes(id)}
                onChange={() => onChoose(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id])}
              />
              {word}
            </label>
          ))}
        </fieldset>
      )}
    </Word>
  )
}

/** A text of one's own. */
export function TextWord({
  name,
  value,
  none,
  placeholder,
  onSet,
}: {
  name: string
  value: string
  none: string
  placeholder: string
  onSet: (value: string) => void
}) {
  const [typed, setTyped] = useState(value)
  return (
    <Word name={name} says={value === '' ? none : value} isQuiet={value === ''}>
      {(close) => (
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            onSet(typed.trim())
            close()
          }}
        >
          <input
            className="field w-[300px]! font-mono text-small"
            aria-label={name}
            placeholder={placeholder}
            value={typed}
            onChange={({ target }) => setTyped(target.value)}
          />
          <button type="submit" className="button">
            Set
          </button>
        </form>
      )}
    </Word>
  )
}
