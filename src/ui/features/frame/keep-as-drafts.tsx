'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useState } from 'react'
import { fieldsOfEdits } from '@/core/draft'
import type { StoredRun } from '@/store/database'
import type { DraftStep } from '@/store/drafts'
import { overviewOf } from '@/store/overviews'
import { pagesAt } from '@/store/pages'
import { count } from '../../kit/words'
import { doStep } from '../../state/draft/draft-history'
import { draftWith } from '../../state/draft/make-draft'
import { useDrafts } from '../../state/draft/use-drafts'
import { useCardContext } from '../../state/run/use-card-context'

/** Makes drafts, in one step that can be undone, of what is tried: as far as drafts can hold it. */
export function KeepAsDrafts({ run }: { run: StoredRun }) {
  const { site } = run.source
  const drafts = useDrafts(site)
  const context = useCardContext(run)
  const stored = useLiveQuery(() => overviewOf(run.id), [run.id])
  const [said, setSaid] = useState('')
  const [prepared, setPrepared] = useState<Prepared | null>(null)
  const edits = Object.entries(stored?.edits ?? {})
  if (!drafts || !context || !run.tried || edits.length === 0) return null
  const parent = run.tried.run
  /** What drafts would be made, and the tags that none of them can hold. */
  const prepare = async (): Promise<Prepared> => {
    const built = await pagesAt(
      parent,
      edits.map(([url]) => url),
    )
    const imageOf = (url: string) => context.images.get(url)
    const now = new Date()
    const left = new Map<string, number>()
    const made = edits.flatMap(([url, tags], index): DraftStep['drafts'] => {
      const page = built[index]?.page
      if (!page?.facts) return []
      const known = drafts.get(url)
      const before = known?.landedAt === null ? known : null
      const wanted = fieldsOfEdits(new Map(tags), page.facts)
      for (const tag of wanted.left) left.set(tag, (left.get(tag) ?? 0) + 1)
      const fields = { ...before?.fields, ...wanted.fields }
      const after = draftWith(before, fields, { site, page, imageOf, now })
      return after === null ? [] : [{ url, before, after }]
    })
    return { made, left }
  }
  const keep = async ({ made }: Prepared) => {
    await doStep({ site, label: `draft for ${count(made.length, 'page')}`, drafts: made })
    setPrepared(null)
    setSaid(`Drafted for ${count(made.length, 'page')}.`)
  }
  const ask = async () => {
    const found = await prepare()
    if (found.left.size === 0) await keep(found)
    else setPrepared(found)
  }
  if (said !== '')
    return (
      <span role="status" className="text-small text-good">
        {said}
      </span>
    )
  if (prepared)
    return (
      <span role="alert" className="flex items-center gap-2 text-small">
        <span>
          Drafts can’t hold {listOf(prepared.left)}: change {prepared.left.size === 1 ? 'it' : 'them'} by hand.
        </span>
        <button type="button" className="button h-[28px]!" onClick={() => void keep(prepared)}>
          Keep the rest for {count(prepared.made.length, 'page')}
        </button>
        <button type="button" className="button h-[28px]!" onClick={() => setPrepared(null)}>
          Cancel
        </button>
      </span>
    )
  return (
    <button type="button" className="button h-[28px]!" onClick={() => void ask()}>
      Keep as drafts
    </button>
  )
}

type Prepared = { made: DraftStep['drafts']; left: ReadonlyMap<string, number> }

/** `og:image:width on 2 pages, robots.txt`. */
const listOf = (left: Prepared['left']) =>
  [...left].map(([tag, pages]) => (pages === 1 ? tag : `${tag} on ${pages} pages`)).join(', ')
