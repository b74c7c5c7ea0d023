'use client'

import { useEffect, useState } from 'react'
import { redoStep, undoStep } from '../../state/draft/draft-history'
import { controlledActionOf } from '../../state/keys/keys'

/** How long what was undone is said. */
const SAID_MS = 3000

/** Ctrl Z and Ctrl Shift Z (or Y) take drafts back and do them again, in a field as well: its text is the draft. */
export function UndoKeys() {
  const [said, setSaid] = useState('')
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const action = controlledActionOf(event)
      if (action !== 'undo' && action !== 'redo') return
      const isRedo = action === 'redo'
      // A search box or another field that is no draft keeps its own undoing.
      const field = (event.target as HTMLElement).closest('input, textarea')
      if (field && !field.closest('[role="tabpanel"]')) return
      event.preventDefault()
      void (isRedo ? redoStep() : undoStep()).then((label) =>
        setSaid(
          label === null
            ? isRedo
              ? 'Nothing to do again.'
              : 'Nothing to undo.'
            : `${isRedo ? 'Done again' : 'Undone'}: ${label}.`,
        ),
      )
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  useEffect(() => {
    if (said === '') return
    const timer = setTimeout(() => setSaid(''), SAID_MS)
    return () => clearTimeout(timer)
  }, [said])
  return (
    <p
      role="status"
      className={
        said === ''
          ? 'sr-only'
          : 'fixed bottom-4 left-1/2 z-40 -translate-x-1/2 rounded-card bg-ink px-4 py-2 text-ground shadow-xl'
      }
    >
      {said}
    </p>
  )
}
