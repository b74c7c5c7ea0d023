'use client'

import { useMemo } from 'react'
import type { StoredRun, WallRow } from '@/store/database'
import { count } from '../../kit/words'
import type { BulkDraftSlot } from '../../state/draft/slots'
import type { GoTo } from '../../state/view/use-view'
import { clearSelection, select } from '../../state/wall/selection'

type Props = {
  run: StoredRun
  rows: WallRow[]
  shown: WallRow[]
  selected: ReadonlySet<string>
  goTo: GoTo
  bulkDraft: BulkDraftSlot
}

/** What can be done with the selected pages; nothing is drawn while none is. */
export function SelectionBar({ run, rows, shown, selected, goTo, bulkDraft: BulkDraft }: Props) {
  const chosen = useMemo(
    () => (selected.size === 0 ? [] : rows.filter(({ url }) => selected.has(url))),
    [rows, selected],
  )
  if (chosen.length === 0) return null
  const more = shown.filter(({ url }) => !selected.has(url)).length
  return (
    <section
      aria-label="Selected pages"
      className="flex shrink-0 flex-wrap items-center gap-2 border-t border-line bg-sheet px-4 py-2"
    >
      <b className="font-semibold">{count(chosen.length, 'page')} selected</b>
      {more > 0 && (
        <button
          type="button"
          className="text-pick hover:underline"
          onClick={() =>
            select(
              run.id,
              shown.map(({ url }) => url),
            )
          }
        >
          Select all {shown.length} shown
        </button>
      )}
      <button type="button" className="text-pick hover:underline" onClick={clearSelection}>
        Let go
      </button>
      <span className="ml-auto" />
      <button type="button" className="button" onClick={() => goTo({ area: 'drafts', tab: 'texts' })}>
        Texts as a table
      </button>
      <BulkDraft
        run={run}
        rows={chosen}
        onDone={() => {
          clearSelection()
          goTo({ area: 'drafts', tab: 'pages' })
        }}
      >
        <button type="button" className="button button-main">
          Draft for {count(chosen.length, 'page')}
        </button>
      </BulkDraft>
    </section>
  )
}
