'use client'

import { Tabs } from 'radix-ui'
import { useCallback, useMemo } from 'react'
import { titleNames } from '@/core/draft'
import type { StoredRun, WallRow } from '@/store/database'
import { Notice } from '../../kit/notice'
import { MissingRun } from '../../parts/missing-run'
import { useDefaults, useDrafts } from '../../state/draft/use-drafts'
import { useCardContext } from '../../state/run/use-card-context'
import { type Loaded, useRows, useRun } from '../../state/run/use-run'
import type { GoTo } from '../../state/view/use-view'
import type { DraftTab, RouteState } from '../../state/view/view'
import { DefaultsTab } from './defaults-tab'
import { PagesTab } from './pages-tab'
import { PatternsTab } from './patterns-tab'
import { TakeAwayTab } from './take-away-tab'
import { TextsTab } from './texts-tab'
import { useLandings } from './use-landings'

const TABS: { id: DraftTab; name: string }[] = [
  { id: 'pages', name: 'Drafted pages' },
  { id: 'texts', name: 'Texts as a table' },
  { id: 'defaults', name: 'Site and sections' },
  { id: 'patterns', name: 'Patterns' },
  { id: 'take-away', name: 'Take away' },
]

/** Everything that is proposed for a site and not yet in its build. */
export function DraftsArea({ view, goTo, run: seen }: { view: RouteState; goTo: GoTo; run: Loaded<StoredRun> }) {
  // What is only tried is in no build: drafts are held against the run that it was tried on.
  const tried = seen.kind === 'ready' ? seen.value.tried : undefined
  const built = useRun(tried?.run ?? null)
  const run = tried ? built : seen
  const rows = useRows(run.kind === 'ready' ? run.value.id : null)
  if (run.kind === 'loading' || rows === undefined) return <Notice text="Reading the run …" />
  if (run.kind === 'missing') return <MissingRun goTo={goTo} />
  return <Drafts view={view} goTo={goTo} run={run.value} rows={rows} />
}

function Drafts({ view, goTo, run, rows }: { view: RouteState; goTo: GoTo; run: StoredRun; rows: WallRow[] }) {
  const { site } = run.source
  const drafts = useDrafts(site)
  const defaults = useDefaults(site, run)
  const context = useCardContext(run)
  const sections = useMemo(() => new Map(rows.map(({ url, section }) => [url, section])), [rows])
  const namesOf = useCallback((url: string) => titleNames(defaults, sections.get(url) ?? '/'), [defaults, sections])
  // What titles are called decides whether a draft has landed: until it is known nothing is said of drafts, or written.
  const landings = useLandings(run, defaults.called ? drafts : undefined, context, namesOf)
  if (!drafts || !context) return <Notice text="Reading the drafts …" />
  const all = { run, rows, site, drafts, defaults, context, landings, goTo, page: view.page }
  return (
    <Tabs.Root
      value={view.tab}
      onValueChange={(tab) => goTo({ tab: tab as DraftTab }, 'replace')}
      className="flex h-full flex-col"
    >
      <h1 className="sr-only">Drafts for {site}</h1>
      <Tabs.List aria-label="Drafts" className="flex shrink-0 gap-6 overflow-x-auto border-b border-line bg-sheet px-5">
        {TABS.map(({ id, name }) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="h-[42px] whitespace-nowrap border-b-2 border-transparent font-semibold text-quiet data-[state=active]:border-ink data-[state=active]:text-ink"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value="pages" tabIndex={-1} className="min-h-0 flex-1 overflow-auto px-5 py-4">
        <PagesTab {...all} />
      </Tabs.Content>
      <Tabs.Content value="texts" tabIndex={-1} className="min-h-0 flex-1 overflow-hidden">
        <TextsTab {...all} />
      </Tabs.Content>
      <Tabs.Content value="defaults" tabIndex={-1} className="min-h-0 flex-1 overflow-auto px-5 py-4">
        <DefaultsTab {...all} />
      </Tabs.Content>
      <Tabs.Content value="patterns" tabIndex={-1} className="min-h-0 flex-1 overflow-hidden">
        <PatternsTab {...all} />
      </Tabs.Content>
      <Tabs.Content value="take-away" tabIndex={-1} className="min-h-0 flex-1 overflow-auto px-5 py-4">
        <TakeAwayTab {...all} />
      </Tabs.Content>
    </Tabs.Root>
  )
}
