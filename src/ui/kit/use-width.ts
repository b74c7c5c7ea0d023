'use client'

import { type RefObject, useEffect, useState } from 'react'

/** Inner width of an element in px, as it changes; `first` until it is drawn. */
export function useWidth(element: RefObject<HTMLElement | null>, first: number): number {
  const [width, setWidth] = useState(first)
  useEffect(() => {
    if (!element.current) return
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width))
    observer.observe(element.current)
    return () => observer.disconnect()
  }, [element])
  return width
}
