'use client'

import { useEffect, useState } from 'react'
import type { GatheredPage, PageFacts } from '@/core/model'
import { pagesAt } from '@/store/pages'

export type ReadPage = GatheredPage & { facts: PageFacts }

/** Pages read at a time. */
const BATCH = 200

/** Readable pages of a run, of the addresses given, in their order; undefined until all are read. */
export function usePages(run: string, urls: readonly string[]): ReadPage[] | undefined {
  const key = urls.join('\n')
  const [held, setHeld] = useState<{ run: string; key: string; pages: ReadPage[] }>()
  useEffect(() => {
    let isGone = false
    const read = async () => {
      const wanted = key === '' ? [] : key.split('\n')
      const pages: ReadPage[] = []
      for (let from = 0; from < wanted.length && !isGone; from += BATCH) {
        const found = await pagesAt(run, wanted.slice(from, from + BATCH))
        for (const stored of found) if (stored?.page.facts) pages.push({ ...stored.page, facts: stored.page.facts })
      }
      if (!isGone) setHeld({ run, key, pages })
    }
    void read()
    return () => {
      isGone = true
    }
  }, [run, key])
  return held?.run === run && held.key === key ? held.pages : undefined
}
