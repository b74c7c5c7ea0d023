'use client'

import { useEffect, useState } from 'react'
import type { Draft } from '@/core/draft/draft'
import { type Landing, landingOf, publicImageUrlOf } from '@/core/draft/landing'
import { tagEdits } from '@/core/draft/tag-edits'
import type { CardContext } from '@/core/surface/card'
import { database, type StoredRun } from '@/store/database'
import { pagesAt } from '@/store/pages'

export type Standing = Landing | { state: 'no-page'; tags: [] }

/** Pages read at once. */
const BATCH = 100

/**
 * How far each open draft has got in this run. Drafts that the run, read after they were written, holds in full are
 * retired to the history.
 */
export function useLandings(
  run: StoredRun,
  drafts: ReadonlyMap<string, Draft> | undefined,
  context: CardContext | undefined,
): ReadonlyMap<string, Standing> {
  const [standings, setStandings] = useState<ReadonlyMap<string, Standing>>(new Map())
  useEffect(() => {
    if (!drafts || !context) return
    let isGone = false
    const imageOf = (url: string) => context.images.get(url)
    const read = async () => {
      const found = new Map<string, Standing>()
      const open = [...drafts.values()].filter(({ landedAt }) => landedAt === null)
      for (let from = 0; from < open.length && !isGone; from += BATCH) {
        const batch = open.slice(from, from + BATCH)
        const pages = await pagesAt(
          run.id,
          batch.map(({ url }) => url),
        )
        for (const [index, draft] of batch.entries()) {
          const page = pages[index]?.page
          if (!page?.facts) {
            found.set(draft.url, { state: 'no-page', tags: [] })
            continue
          }
          const resolve = (raw: string) => publicImageUrlOf(page, raw, context)
          const landing = landingOf(tagEdits(draft.fields, imageOf), page.facts, resolve)
          found.set(draft.url, landing)
          const isReadSince = page.fetch.fetchedAt > draft.changedAt
          if (landing.state === 'landed' && isReadSince)
            await database.drafts.update([draft.site, draft.url], { landedAt: page.fetch.fetchedAt })
        }
      }
      if (!isGone) setStandings(found)
    }
    void read()
    return () => {
      isGone = true
    }
  }, [run, drafts, context])
  return standings
}
