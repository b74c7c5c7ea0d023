'use client'

import { Dialog } from 'radix-ui'

/** A picture of cards, as it would be sent. `url` is of a blob; `name` its file. */
export type SheetShown = { name: string; url: string }

type Props = { shown: SheetShown | null; onClose: () => void }

/** A picture of cards to look at, and to drag into whatever window it is meant for. */
export function ShownSheet({ shown, onClose }: Props) {
  return (
    <Dialog.Root open={shown !== null} onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-4 top-6 bottom-6 z-50 mx-auto flex max-w-[1100px] flex-col rounded-card border border-line bg-sheet text-ink shadow-xl"
        >
          <header className="flex flex-wrap items-baseline gap-3 border-b border-line px-4 py-3">
            <Dialog.Title className="font-semibold">{shown?.name}</Dialog.Title>
            <span className="text-small text-quiet">Drag the picture into a message, a document, a folder.</span>
            <Dialog.Close className="button ml-auto h-[28px]!">Close</Dialog.Close>
          </header>
          <section aria-label="The picture" tabIndex={0} className="min-h-0 flex-1 overflow-auto bg-ground p-4">
            {shown && (
              <img
                src={shown.url}
                alt={`Cards: ${shown.name}`}
                draggable
                className="mx-auto block max-w-full"
                onDragStart={({ dataTransfer }) => {
                  // What is dropped into a folder is then called by its name.
                  dataTransfer.setData('DownloadURL', `image/png:${shown.name}:${shown.url}`)
                }}
              />
            )}
          </section>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
