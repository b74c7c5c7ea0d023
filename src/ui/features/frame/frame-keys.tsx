'use client'

import { Dialog } from 'radix-ui'
import { useRef, useState } from 'react'
import { ownEntry } from '@/core/text'
import { type Action, AREA_LETTERS, keyHelp, PAIR_MS } from '../../state/keys/keys'
import { addressedArea, useKeys } from '../../state/keys/use-keys'
import { useView } from '../../state/view/use-view'

/** Keys that work everywhere: G and a letter, back from a page, and the list of keys. */
export function FrameKeys() {
  const { goTo } = useView()
  const [isOpen, setIsOpen] = useState(false)
  const pressedG = useRef(Number.NEGATIVE_INFINITY)
  const startsPair = ({ key, timeStamp }: KeyboardEvent) => {
    pressedG.current = key === 'g' ? timeStamp : Number.NEGATIVE_INFINITY
    return key === 'g'
  }
  const takesPair = ({ key, timeStamp }: KeyboardEvent) => {
    const isPair = timeStamp - pressedG.current < PAIR_MS
    pressedG.current = Number.NEGATIVE_INFINITY
    const area = isPair ? ownEntry(AREA_LETTERS, key)?.[0] : undefined
    if (area) goTo(area === 'gather' ? { area, page: null } : { area })
    return area !== undefined
  }
  const takesAction = (action: Action) => {
    if (action === 'help') setIsOpen(true)
    // Here, where the keys of a page that is opened but not drawn yet are heard too.
    else if (action === 'back' && addressedArea() === 'page') goTo({ area: 'wall' })
    else return false
    return true
  }
  useKeys(
    (action, event) => takesPair(event) || takesAction(action),
    (event) => takesPair(event) || startsPair(event),
  )
  return (
    <Dialog.Root open={isOpen} onOpenChange={setIsOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-[6vh] z-50 max-h-[88vh] w-[min(440px,94vw)] -translate-x-1/2 overflow-auto rounded-[10px] border border-line bg-sheet p-5 shadow-2xl"
        >
          <Dialog.Title className="mb-3 font-display text-title font-semibold">Keys</Dialog.Title>
          <dl className="grid grid-cols-[max-content_1fr] gap-x-5 gap-y-[6px]">
            {keyHelp().map(([key, what]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="text-small font-semibold">{key}</kbd>
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
