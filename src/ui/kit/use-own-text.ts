'use client'

import { useEffect, useEffectEvent, useRef, useState } from 'react'

/** The address follows what is typed so long after the last key. */
const FOLLOW_MS = 120

/**
 * The text of a field whose value also stands elsewhere (in the address). The field owns what is typed: what follows it
 * comes later and may be slow, and must not write an older text over a newer one. A value that changes otherwise (going
 * back, a cleared filter) is taken over.
 *
 * @param value what stands elsewhere
 * @param follow writes it there
 */
export function useOwnText(value: string, follow: (text: string) => void): [string, (text: string) => void] {
  const [text, setText] = useState(value)
  /** What was written elsewhere last: when it comes back, it is no news. */
  const written = useRef(value)
  const followed = useEffectEvent(follow)
  useEffect(() => {
    if (value === written.current) return
    written.current = value
    setText(value)
  }, [value])
  useEffect(() => {
    if (text === written.current) return
    const timer = setTimeout(() => {
      written.current = text
      followed(text)
    }, FOLLOW_MS)
    return () => clearTimeout(timer)
  }, [text])
  return [text, setText]
}
