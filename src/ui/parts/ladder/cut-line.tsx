'use client'

import type { TextPart } from '@/core/surface'

/** A text with the mark where the place cuts it; what it loses is struck, not hidden. */
export function CutLine({ part, surface }: { part: TextPart; surface: string }) {
  const text = part.text ?? ''
  const lost = text.slice(part.shown.length)
  return (
    <p className="rounded-[5px] bg-soft px-[9px] py-[6px] text-small leading-[1.4] [overflow-wrap:anywhere]">
      {part.shown}
      <span className="border-l-[1.5px] border-dashed border-ink pl-px" aria-hidden="true" />
      <s className="text-quiet decoration-wrong">
        <span className="sr-only">cut: </span>
        {lost}
      </s>
      <span className="mt-[2px] block text-fine text-quiet">{surface} cuts about here.</span>
    </p>
  )
}
