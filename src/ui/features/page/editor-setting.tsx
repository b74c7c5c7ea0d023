'use client'

import { Popover } from 'radix-ui'
import { useId, useState } from 'react'
import { keepEditorPattern, patternFault } from '../../state/page/editor-link'

/** The address pattern of the reader's editor, set once: lines of the source then open there. */
export function EditorSetting({ pattern, onPattern }: { pattern: string; onPattern: (pattern: string) => void }) {
  const id = useId()
  const [typed, setTyped] = useState(pattern)
  const fault = patternFault(typed)
  return (
    <Popover.Root>
      <Popover.Trigger className="ml-auto text-pick hover:underline">
        {pattern === '' ? 'Open lines in your editor' : 'Editor'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="end"
          sideOffset={6}
          className="z-30 w-[380px] max-w-[94vw] rounded-card border border-line bg-sheet p-4 text-body shadow-xl"
        >
          <form
            className="grid gap-2"
            onSubmit={(event) => {
              event.preventDefault()
              if (fault !== null) return
              keepEditorPattern(typed)
              onPattern(typed)
            }}
          >
            <label htmlFor={id} className="font-semibold">
              Address that opens a file in your editor
            </label>
            <input
              id={id}
              className="field font-mono text-small"
              value={typed}
              placeholder={'editor://open/home/me/site/dist/{file}?line={line}'}
              onChange={(event) => setTyped(event.target.value)}
            />
            <p className={fault ? 'text-wrong' : 'text-quiet'}>
              {fault ??
                '{file} is the path in the build, {line} and {column} the place. Line numbers and findings become links. It stays in this browser.'}
            </p>
            <Popover.Close asChild>
              <button type="submit" className="button justify-self-start" disabled={fault !== null}>
                Keep
              </button>
            </Popover.Close>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
