'use client'

import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import {
  changedUnder,
  type Draft,
  type DraftEffect,
  type DraftFields,
  type DraftSlot,
  draftEffect,
  type Effective,
  effectiveEdits,
  isEmptyDraft,
  type SlotValue,
  type TagStanding,
  tagEdits,
  titleNames,
} from '@/core/draft'
import type { GatheredPage } from '@/core/model'
import type { CardContext } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { useSurfaces } from '../surface/use-surfaces'
import { doStep, useHistory } from './draft-history'
import { draftWith, withSlot } from './make-draft'
import { useDefaults, useDrafts } from './use-drafts'

const nothing: Effective = { edits: new Map(), from: new Map() }

/** A page's draft as it is worked on, and what it does. */
export type PageDraft = {
  fields: DraftFields
  isEmpty: boolean
  effective: Effective
  effect: DraftEffect | null
  /** Tags that the build says otherwise than when the draft was made. */
  changedUnder: TagStanding[]
  setSlot: (slot: DraftSlot, value: SlotValue | undefined) => void
  discard: () => void
}

/**
 * The draft of one page. What is typed is held here and written at once; what comes from elsewhere (another tab, undo)
 * is taken over.
 */
export function usePageDraft(
  run: StoredRun,
  page: GatheredPage | null,
  section: string,
  context: CardContext | undefined,
): PageDraft {
  const { site } = run.source
  const drafts = useDrafts(site)
  const defaults = useDefaults(site, run)
  const { turns } = useHistory()
  const stored = (page && drafts?.get(page.url)) ?? null
  const open = stored?.landedAt === null ? stored : null
  const [fields, setFields] = useState<DraftFields>({})
  const latest = useRef<{ draft: Draft | null; written: Set<string>; turns: number }>({
    draft: null,
    written: new Set(),
    turns,
  })
  useEffect(() => {
    const now = latest.current
    if (now.turns !== turns) Object.assign(now, { turns, written: new Set() })
    // An echo of what was typed here is older than what is typed now.
    if (open ? now.written.has(open.changedAt) : now.written.has('')) return
    now.draft = open
    setFields(open?.fields ?? {})
  }, [open, turns])
  const imageOf = useCallback((url: string) => context?.images.get(url), [context])
  const write = useCallback(
    (next: DraftFields, label: string, typing: string | null) => {
      if (!page) return
      const now = latest.current
      const before = now.draft
      const after = draftWith(before, next, { site, page, imageOf, now: new Date() })
      now.draft = after
      now.written.add(after?.changedAt ?? '')
      setFields(next)
      void doStep({ site, label, drafts: [{ url: page.url, before, after }] }, typing)
    },
    [page, site, imageOf],
  )
  const setSlot = useCallback(
    (slot: DraftSlot, value: SlotValue | undefined) => {
      if (page)
        write(withSlot(latest.current.draft?.fields ?? {}, slot, value), `draft of ${slot}`, `${page.url} ${slot}`)
    },
    [page, write],
  )
  const discard = useCallback(() => write({}, 'discarded draft', null), [write])
  const effective = useMemo(
    () => (page?.facts ? effectiveEdits({ ...page, facts: page.facts }, section, fields, defaults, imageOf) : nothing),
    [page, section, fields, defaults, imageOf],
  )
  const surfaces = useSurfaces()
  // Typing comes first: cards and findings follow as soon as there is time.
  const shown = useDeferredValue(effective)
  const effect = useMemo(
    () => (page && context ? draftEffect(page, shown.edits, run, context, surfaces) : null),
    [page, context, shown, run, surfaces],
  )
  const under = useMemo(() => {
    if (!page?.facts || !open) return []
    const names = titleNames(defaults, section)
    return changedUnder(tagEdits(fields, imageOf, { facts: page.facts, names }), open.against, page.facts)
  }, [page, open, fields, imageOf, defaults, section])
  return { fields, isEmpty: isEmptyDraft(fields), effective, effect, changedUnder: under, setSlot, discard }
}
