'use client'

import { useEffect, useState } from 'react'
import type { Composed } from '@/workers/draw-composed'
import { useObjectUrl } from '../../../state/pictures/whole-picture'
import { Outdated, type PreviewQueue } from './preview-queue'
import type { AskFor } from './use-compose-asks'

/** Pause after the last change before previews are drawn again. */
const REST_MS = 60

export type Preview = { made: Composed | null; url: string | null; fault: string }

/** A page's picture as its section's template makes it; the former one stays until the next is drawn. */
export function usePreview(queue: PreviewQueue, askFor: AskFor | null, page: string, width: number): Preview {
  const [made, setMade] = useState<{ page: string; composed: Composed } | null>(null)
  const [fault, setFault] = useState('')
  const composed = made?.page === page ? made.composed : null
  const url = useObjectUrl(composed?.blob)
  useEffect(() => {
    if (!askFor) return
    const key = `${width} ${page}`
    const timer = setTimeout(() => {
      queue
        .add(key, () => askFor(page, width))
        .then(
          (next) => {
            setMade({ page, composed: next })
            setFault('')
          },
          (error: Error) => !(error instanceof Outdated) && setFault(error.message),
        )
    }, REST_MS)
    return () => {
      clearTimeout(timer)
      queue.drop(key)
    }
  }, [queue, askFor, page, width])
  return { made: composed, url, fault }
}

/** What is wrong with a composed picture, in words; none when all is well. */
export function composedFaults({ plan, contrast, isFaceKnown, lacking, helps }: Composed, family: string): string[] {
  const shown = lacking.slice(0, 6).join(' ')
  const has =
    helps.length > 0
      ? `${helps.join(', ')} on this computer ${helps.length > 1 ? 'have' : 'has'} them: write it as the face`
      : 'no other known face of this computer has them'
  return [
    ...(plan.isCut ? ['The title has no room, even at its smallest.'] : []),
    ...(plan.zone === null ? ['The chosen places keep no part in common: the whole shape is used.'] : []),
    // WCAG 2.2, 1.4.3: large letters need 3 : 1.
    ...(contrast < 3
      ? [`The title stands out ${contrast.toFixed(1)} : 1 from its ground; large letters need 3 : 1.`]
      : []),
    ...(lacking.length > 0
      ? [
          `“${family}” lacks ${shown}${lacking.length > 6 ? ` and ${lacking.length - 6} more` : ''}: another face stands in. ${has[0]!.toUpperCase()}${has.slice(1)}, or choose a font file that does (WOFF2, as font packages have a file a script).`,
        ]
      : []),
    ...(isFaceKnown ? [] : [`This computer has no face “${family}”: a plain one stands in.`]),
  ]
}
