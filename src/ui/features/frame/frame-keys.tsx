'use client'

import { Dialog } from 'radix-ui'
import { useRef, useState } from 'react'
import { DialogPanel } from '../../kit/dialog-panel'
import { type Action, keyHelp, PAIR_MS } from '../../state/keys/keys'
import { addressedArea, useKeys } from '../../state/keys/use-keys'
import { areaOfLetter, FIRST_AREA } from '../../state/view/areas'
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
    const area = isPair ? areaOfLetter(key) : null
    if (area) goTo(area === FIRST_AREA ? { area, page: null } : { area })
    return area !== null
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
      <DialogPanel
        title="Keys"
        titleClassName="mb-3 font-display text-title font-semibold"
        className="w-[min(440px,94vw)] overflow-auto p-5"
      >
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
      </DialogPanel>
    </Dialog.Root>
  )
}
