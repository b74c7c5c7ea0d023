'use client'

import { clsx } from 'clsx'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'

/** A form in which something is saved. `save` rejects with words that can be shown. */
export type SaveForm = {
  name: string
  save: () => Promise<void>
  /** What is said once it is done, where the browser shows nothing of it. */
  done?: string
}

type Props = {
  /** What stands on the button. */
  name: string
  /** Forms, a group each with a line between. */
  groups: readonly (readonly SaveForm[])[]
  /** Said above them. */
  about?: string
  className?: string
}

/** A button that opens a menu of forms; what goes wrong is said before it. */
export function SaveMenu({ name, groups, about, className }: Props) {
  const [fault, setFault] = useState<string | null>(null)
  const [done, setDone] = useState('')
  const save = async (form: SaveForm) => {
    setDone('')
    try {
      await form.save()
      setFault(null)
      setDone(form.done ?? '')
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    }
  }
  return (
    <>
      {fault && (
        <span role="alert" className="text-wrong">
          {fault}
        </span>
      )}
      <span role="status" className={clsx('text-quiet', done === '' && 'sr-only')}>
        {done}
      </span>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className={clsx('button', className)}>
          {name} <span aria-hidden="true">▾</span>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-30 min-w-[200px] rounded-card border border-line bg-sheet p-1 text-ink shadow-xl"
          >
            {about && <DropdownMenu.Label className="px-2 py-1 text-fine text-quiet">{about}</DropdownMenu.Label>}
            {groups.map((forms, index) => (
              <DropdownMenu.Group key={forms[0]?.name} className={clsx(index > 0 && 'mt-1 border-t border-line pt-1')}>
                {forms.map((form) => (
                  <DropdownMenu.Item
                    key={form.name}
                    onSelect={() => void save(form)}
                    className="cursor-pointer rounded px-2 py-[6px] outline-none data-highlighted:bg-soft"
                  >
                    {form.name}
                  </DropdownMenu.Item>
                ))}
              </DropdownMenu.Group>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  )
}
