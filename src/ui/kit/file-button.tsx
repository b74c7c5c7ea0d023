import { clsx } from 'clsx'
import type { ReactNode } from 'react'

/** A button that asks for files, or for a folder with all that is in it. What was chosen may be chosen again. */
export function FileButton({
  children,
  label,
  accept,
  asks = 'one',
  className,
  disabled = false,
  onChosen,
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
}) {
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
        // React's types don't know the attribute that makes the picker ask for a folder.
        {...(asks === 'folder' ? { webkitdirectory: '' } : {})}
        onChange={({ currentTarget: input }) => {
          // The list empties when its field does.
          const [first, ...others] = input.files ?? []
          if (first) onChosen([first, ...others])
          input.value = ''
        }}
      />
    </label>
  )
}
