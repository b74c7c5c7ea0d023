'use client'

import { useEffect, useState } from 'react'
import { type Draft, type Landing, landingOf, publicImageUrlOf, tagEdits } from '@/core/draft'
import type { CardContext } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { type DraftChange, updateDrafts } from '@/store/drafts'
import { pagesAt } from '@/store/pages'

export type Standing = Landing | { state: 'no-page'; tags: [] }

/** Pages read at once. */
const BATCH = 100

/**
 * What a run that was read at a time changes of a draft: it has landed, or it had, and is gone again. null: nothing. A
 * run from before the draft, or from before it landed, says nothing of it.
 */
export function changeBy(draft: Draft, landing: Landing, readAt: string): Partial<Draft> | null {
  const { landedAt, changedAt } = draft
  const isThere = landing.state === 'landed'
  if (landedAt === null) return isThere && readAt > changedAt ? { landedAt: readAt, goneSince: undefined } : null
  return !isThere && readAt > landedAt ? { landedAt: null, goneSince: { landedAt, missedAt: readAt } } : null
}

/**
 * How far each draft has got in this run. Drafts that the run, read after they were written, holds in full are
 * retired to the history; those that a later run lacks again come back from it.
 */
export function useLandings(
  run: StoredRun,
  drafts: ReadonlyMap<string, Draft> | undefined,
  context: CardContext | undefined,
  namesOf: (url: string) => readonly (string | null)[],
): ReadonlyMap<string, Standing> {
  const [standings, setStandings] = useState<ReadonlyMap<string, Standing>>(new Map())
  useEffect(() => {
    if (!drafts || !context) return
    let isGone = false
    const imageOf = (url: string) => context.images.get(url)
    const read = async () => {
      const found = new Map<string, Standing>()
      const changes: DraftChange[] = []
      // What has landed is held against each run as well: a later build may lack it again.
      const open = [...drafts.values()]
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
          const landing = landingOf(
            tagEdits(draft.fields, imageOf, { facts: page.facts, names: namesOf(page.url) }),
            page.facts,
            resolve,
          )
          found.set(draft.url, landing)
          const change = changeBy(draft, landing, page.fetch.fetchedAt)
          if (change) changes.push({ draft, change })
        }
      }
      if (isGone) return
      setStandings(found)
      // All at once: each write has everything that shows drafts read them again, and this look at the run begin again.
      await updateDrafts(changes)
    }
    void read()
    return () => {
      isGone = true
    }
  }, [run, drafts, context, namesOf])
  return standings
}
