'use client'

import { useEffect } from 'react'

/** What stands where the app itself could not be drawn: nothing stored is touched. */
export default function Fault({ error, reset }: { error: Error; reset: () => void }) {
  useEffect(() => console.error(error), [error])
  return (
    <main role="alert" className="grid h-screen place-content-center justify-items-center gap-4 p-8 text-center">
      <p className="max-w-[44ch]">
        This view could not be drawn ({error.message}). What was gathered is kept in this browser.
      </p>
      <button type="button" className="button" onClick={reset}>
        Draw it again
      </button>
      <a className="text-pick hover:underline" href="/">
        Go to Gather
      </a>
    </main>
  )
}
