'use client'

import { clsx } from 'clsx'
import { type ReactNode, useEffect, useEffectEvent, useRef } from 'react'

/** A button that asks for files, or for a folder with all that is in it. What was chosen may be chosen again. */
export function FileButton({
  children,
  label,
  accept,
  asks = 'one',
  className,
  disabled = false,
  onChosen,
  onNothing,
}: {
  /** What stands on it. */
  children: ReactNode
  /** What it is called where that is not enough. */
  label?: string
  accept?: string | undefined
  asks?: 'one' | 'several' | 'folder'
  className?: string
  disabled?: boolean
  /** Called with one file at least. */
  onChosen: (files: [File, ...File[]]) => void
  /** Called where nothing came of it: nothing was chosen, or a folder without files, which browsers don't tell apart. */
  onNothing?: () => void
}) {
  const input = useRef<HTMLInputElement>(null)
  const told = useEffectEvent(() => onNothing?.())
  // React knows this event of dialogs alone.
  useEffect(() => {
    const { current } = input
    current?.addEventListener('cancel', told)
    return () => current?.removeEventListener('cancel', told)
  }, [])
  return (
    <label
      className={clsx(
        'button cursor-pointer focus-within:outline-2 focus-within:outline-pick has-disabled:opacity-50',
        className,
      )}
    >
      {children}
      <input
        type="file"
        aria-label={label}
        className="sr-only"
        accept={accept}
        multiple={asks === 'several'}
        disabled={disabled}
        ref={input}
        // React's types don't know the attribute that makes the picker ask for a folder.
        {...(asks === 'folder' ? { webkitdirectory: '' } : {})}
        onChange={({ currentTarget }) => {
          // The list empties when its field does.
          const [first, ...others] = currentTarget.files ?? []
          if (first) onChosen([first, ...others])
          else onNothing?.()
          currentTarget.value = ''
        }}
      />
    </label>
  )
}
