'use client'

import { useCallback, useMemo, useState } from 'react'
import type { StoredRun } from '@/store/database'
import type { StoredComparison } from '@/workers/compare-runs'
import { Notice } from '../../kit/notice'
import { count, dayAndTime } from '../../kit/words'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { useComparisons } from '../../state/wall/use-comparison'
import { ChangeDetail } from './change-detail'
import { ChangeList } from './change-list'
import { countKinds, type DriftItem, type DriftKind, driftItems } from './drift-items'
import { useListKeys } from './use-list-keys'

type Props = { view: RouteState; goTo: GoTo; before: StoredRun; after: StoredRun }

/** Two runs side by side: what changed, page by page. */
export function RunsTab({ view, goTo, before, after }: Props) {
  const compared = useComparisons([before], after)
  if (compared.kind === 'working') return <Notice text="Holding the two runs against each other …" />
  if (compared.kind === 'failed') return <Notice text={compared.message} />
  return <Compared view={view} goTo={goTo} before={before} after={after} compared={compared.value.get(before.id)!} />
}

/** `13 findings went, none came.` */
export function findingsInWords(went: number, came: number): string {
  if (went + came === 0) return 'No finding came or went.'
  return `${went === 0 ? 'No finding' : count(went, 'finding')} went, ${came === 0 ? 'none' : came} came.`
}

const KINDS: Record<DriftKind, string> = {
  changed: 'changed',
  moved: 'moved',
  removed: 'removed',
  added: 'added',
  tags: 'tags alone',
  findings: 'findings alone',
}

function Compared({ view, goTo, before, after, compared }: Props & { compared: StoredComparison }) {
  const items = useMemo(() => driftItems(compared, after.source.site), [compared, after.source.site])
  const [kind, setKind] = useState<DriftKind | null>(null)
  const shown = useMemo(() => (kind === null ? items : items.filter((item) => item.kind === kind)), [items, kind])
  const found = shown.findIndex(({ path }) => path === view.page)
  const at = found < 0 && shown.length > 0 ? 0 : found
  const choose = useCallback((item: DriftItem) => goTo({ page: item.path }, 'replace'), [goTo])
  const move = useCallback((index: number) => choose(shown[index]!), [choose, shown])
  useListKeys({ length: shown.length, at, onMove: move, goTo })
  if (items.length === 0) {
    return (
      <Notice
        text={`Nothing changed: every page says and shows what it did on ${dayAndTime(before.startedAt)}, and no finding came or went.`}
      />
    )
  }
  const counts = countKinds(items)
  const { came, went } = compared.comparison.findings
  const chosen = shown[at]
  return (
    <div className="grid h-full grid-cols-[minmax(260px,330px)_minmax(0,1fr)] max-md:block">
      <section aria-label="What changed" className="flex min-h-0 flex-col border-r border-line max-md:max-h-[50vh]">
        <div className="px-4 pb-2 pt-3">
          <h2 className="font-display text-head font-semibold leading-tight">
            {counts.changed === 0 ? 'No card changed' : `${count(counts.changed, 'page')} with other cards`}
          </h2>
          <p className="text-quiet">{findingsInWords(went.length, came.length)}</p>
          <fieldset className="mt-2 flex flex-wrap gap-1">
            <legend className="sr-only">Show only</legend>
            {(Object.keys(KINDS) as DriftKind[])
              .filter((one) => counts[one] > 0)
              .map((one) => (
                <button
                  key={one}
                  type="button"
                  aria-pressed={kind === one}
                  onClick={() => setKind(kind === one ? null : one)}
                  className="h-[24px] rounded-[5px] border border-line bg-sheet px-2 text-small aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-ground"
                >
                  {KINDS[one]} <b className="font-semibold tabular-nums">{counts[one]}</b>
                </button>
              ))}
          </fieldset>
        </div>
        <ChangeList items={shown} chosen={chosen?.url ?? null} onChoose={choose} />
      </section>
      {chosen && (
        <ChangeDetail
          key={chosen.url}
          view={view}
          goTo={goTo}
          before={before}
          after={after}
          item={chosen}
          difference={compared.comparison.differences.get(chosen.url) ?? null}
        />
      )}
    </div>
  )
}
