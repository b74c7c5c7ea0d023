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
  const edits = Object.entries(stored?.edits ?? {})
  if (!drafts || !context || !run.tried || edits.length === 0) return null
  const parent = run.tried.run
  const keep = async () => {
    const built = await pagesAt(
      parent,
      edits.map(([url]) => url),
    )
    const imageOf = (url: string) => context.images.get(url)
    const now = new Date()
    const left = new Set<string>()
    const made = edits.flatMap(([url, tags], index): DraftStep['drafts'] => {
      const page = built[index]?.page
      if (!page?.facts) return []
      const known = drafts.get(url)
      const before = known?.landedAt === null ? known : null
      const wanted = fieldsOfEdits(new Map(tags), page.facts)
      for (const tag of wanted.left) left.add(tag)
      const fields = { ...before?.fields, ...wanted.fields }
      return [{ url, before, after: draftWith(before, fields, { site, page, imageOf, now }) }]
    })
    await doStep({ site, label: `draft for ${count(made.length, 'page')}`, drafts: made })
    const beside = left.size > 0 ? ` No draft holds ${[...left].join(', ')}.` : ''
    setSaid(`Drafted for ${count(made.length, 'page')}.${beside}`)
  }
  return said === '' ? (
    <button type="button" className="button h-[28px]!" onClick={() => void keep()}>
      Keep as drafts
    </button>
  ) : (
    <span role="status" className="text-small text-good">
      {said}
    </span>
  )
}
