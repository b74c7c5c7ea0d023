'use client'

import { Popover } from 'radix-ui'
import { checkOf } from '@/core/check'

const WHERE = {
  page: 'each page',
  access: 'each page, read or not',
  image: 'each share picture, once',
  site: 'all pages together',
} as const

/** A message with its blanks as words: ‹count› for {count}. */
const withBlanks = (words: string) => words.replace(/\{(\w+)\}/g, '‹$1›')

/** The id of a check, which opens to what it looks at, why it matters, and all that it can say. */
export function CheckName({ id }: { id: string }) {
  const check = checkOf(id)
  if (!check) return <code>{id}</code>
  return (
    <Popover.Root>
      <Popover.Trigger
        className="font-mono text-fine underline decoration-dotted underline-offset-2 hover:text-ink"
        aria-label={`${id}: what this check is`}
      >
        {id}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={`What ${id} is`}
          align="end"
          sideOffset={5}
          collisionPadding={10}
          className="z-50 grid max-h-[60vh] w-[340px] max-w-[94vw] gap-2 overflow-auto rounded-card border border-line bg-sheet p-4 text-body font-normal text-ink shadow-xl"
        >
          <p className="font-mono text-small font-semibold">{check.id}</p>
          <p>{check.why}</p>
          <p className="text-quiet">
            Looks at {WHERE[check.scope]}: {check.looksAt} {check.level === 'error' ? 'An' : 'A'} {check.level}, unless
            the requirements say otherwise.
          </p>
          <ul className="grid gap-2 border-t border-line pt-2">
            {Object.entries(check.messages).map(([name, { says, fix }]) => (
              <li key={name}>
                {withBlanks(says)} <span className="text-quiet">{withBlanks(fix)}</span>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
