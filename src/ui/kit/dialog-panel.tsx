'use client'

import { clsx } from 'clsx'
import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

/** What a dialog opens: over everything else, which it dims. It is put into a `Dialog.Root`. */
export function DialogPanel({
  title,
  titleClassName,
  className,
  children,
}: {
  title: string
  /** How the title looks; `sr-only` where what is seen says it already. */
  titleClassName: string
  /** Its width, and how it is laid out. */
  className: string
  children: ReactNode
}) {
  return (
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
      <Dialog.Content
        aria-describedby={undefined}
        className={clsx(
          'fixed left-1/2 top-[6vh] z-50 max-h-[88vh] -translate-x-1/2 rounded-[10px] border border-line bg-sheet shadow-2xl',
          className,
        )}
      >
        <Dialog.Title className={titleClassName}>{title}</Dialog.Title>
        {children}
      </Dialog.Content>
    </Dialog.Portal>
  )
}
