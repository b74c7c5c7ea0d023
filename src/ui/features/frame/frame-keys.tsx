'use client'

import { Dialog } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import { addressedArea, isTyping } from '../../state/keys/heard'
import { useView } from '../../state/view/use-view'

/** Keys that work, as they are told to people. */
const KEYS: [string, string][] = [
  ['← → ↑ ↓', 'Move over the wall (also H L K J)'],
  ['Enter', 'Open the page'],
  ['Esc', 'Go back'],
  ['1 – 9, 0', 'Surface'],
  ['Shift and a digit', 'A second surface beside it, on the wall'],
  ['R', 'Look again, on a page'],
  ['E', 'Draft, on a page'],
  ['Alt and a digit', 'Take a text that the page offers, in a field of a draft'],
  ['X', 'Select the card, on the wall'],
  ['Ctrl Z, Ctrl Shift Z', 'Undo and redo what was drafted'],
  ['/', 'Search the wall'],
  ['G G', 'Go to Gather'],
  ['G W', 'Go to Wall'],
  ['G C', 'Go to Causes'],
  ['G P', 'Go to Pictures'],
  ['G E', 'Go to Drafts'],
  ['G D', 'Go to Drift'],
  ['G L', 'Go to Clearance'],
  ['J  K', 'Next and previous page, on a page; next and previous line of a list'],
  ['O  N  U', 'Ask a place again, asked in vain, take back, in Drift'],
  ['Ctrl K', 'Jump to a page, an area or an action'],
  ['?', 'Show these keys'],
]

/** Time in which the second letter of a pair must follow. */
const PAIR_MS = 1200

/** Keys that work everywhere: G and a letter, back from a page, and the list of keys. */
export function FrameKeys() {
  const { goTo } = useView()
  const [isOpen, setIsOpen] = useState(false)
  const pressedG = useRef(Number.NEGATIVE_INFINITY)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.metaKey || event.ctrlKey || event.altKey) return
      const isPair = event.timeStamp - pressedG.current < PAIR_MS
      pressedG.current = Number.NEGATIVE_INFINITY
      if (isPair && event.key === 'g') goTo({ area: 'gather', page: null })
      else if (isPair && event.key === 'w') goTo({ area: 'wall' })
      else if (isPair && event.key === 'c') goTo({ area: 'causes' })
      else if (isPair && event.key === 'p') goTo({ area: 'pictures' })
      else if (isPair && event.key === 'e') goTo({ area: 'drafts' })
      else if (isPair && event.key === 'd') goTo({ area: 'drift' })
      else if (isPair && event.key === 'l') goTo({ area: 'clearance' })
      else if (event.key === 'g') pressedG.current = event.timeStamp
      else if (event.key === '?') setIsOpen(true)
      // Here, where the keys of a page that is opened but not drawn yet are heard too.
      else if (event.key === 'Escape' && !event.defaultPrevented && addressedArea() === 'page') {
        goTo({ area: 'wall' })
        // The wall may hear the same key after this, and would let go of its card.
        event.preventDefault()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [goTo])
  return (
    <Dialog.Root open={isOpen} onOpenChange={setIsOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-[14vh] z-50 w-[min(420px,94vw)] -translate-x-1/2 rounded-[10px] border border-line bg-sheet p-5 shadow-2xl"
        >
          <Dialog.Title className="mb-3 font-display text-[18px] font-semibold">Keys</Dialog.Title>
          <dl className="grid grid-cols-[max-content_1fr] gap-x-5 gap-y-[6px]">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="text-[12px] font-semibold">{key}</kbd>
                </dt>
                <dd className="text-quiet">{what}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
