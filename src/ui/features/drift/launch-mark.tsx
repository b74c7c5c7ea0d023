'use client'

import { Popover } from 'radix-ui'
import { useState } from 'react'
import type { StoredRun } from '@/store/database'
import { markLaunched } from '@/store/held-events'
import { dayAndTime } from '../../kit/words'
import { fromLocalInput, toLocalInput } from './local-time'

/** Says that a run went live, and when: from then on places may hold what it says. */
export function LaunchMark({ run }: { run: StoredRun }) {
  const [isOpen, setIsOpen] = useState(false)
  const [at, setAt] = useState('')
  const iso = fromLocalInput(at)
  const open = (opens: boolean) => {
    if (opens) setAt(toLocalInput(run.launchedAt ?? new Date().toISOString()))
    setIsOpen(opens)
  }
  const mark = async (moment: string | null) => {
    await markLaunched(run.id, moment)
    setIsOpen(false)
  }
  return (
    <Popover.Root open={isOpen} onOpenChange={open}>
      <Popover.Trigger className={run.launchedAt ? 'text-pick hover:underline' : 'button h-[28px]!'}>
        {run.launchedAt ? `Live since ${dayAndTime(run.launchedAt)}` : 'This run went live …'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={10}
          aria-label="When this run went live"
          className="z-30 grid w-[330px] max-w-[94vw] gap-3 rounded-card border border-line bg-sheet p-4 text-ink shadow-xl"
        >
          <p className="text-quiet">
            From then on anyone may have shared any of its pages, and places may hold what it says. It becomes the
            baseline that later runs are held against.
          </p>
          <form
            className="grid gap-3"
            onSubmit={(event) => {
              event.preventDefault()
              if (iso) void mark(iso)
            }}
          >
            <label className="grid gap-1">
              <span className="font-semibold">Went live</span>
              <input
                type="datetime-local"
                className="field"
                value={at}
                onChange={(event) => setAt(event.target.value)}
              />
            </label>
            <span className="flex gap-2">
              <button type="submit" className="button button-main" disabled={iso === null}>
                It is live
              </button>
              {run.launchedAt && (
                <button type="button" className="button" onClick={() => void mark(null)}>
                  It is not
                </button>
              )}
            </span>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
