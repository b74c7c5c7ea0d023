'use client'

import { Tabs } from 'radix-ui'
import type { Finding, PageFacts } from '@/core/model'
import type { Card, Surface } from '@/core/surface'
import { FindingsView } from '../../parts/ladder/findings-view'
import { hasNoRoom, LadderView } from '../../parts/ladder/ladder-view'
import { RichView } from '../../parts/ladder/rich-view'
import type { Spot } from '../../state/page/lit'
import type { Pane } from '../../state/view/view'
import { TagsView } from './tags-view'

type Lighting = { lit: Spot | null; onLit: (spot: Spot | null) => void }
type Props = Lighting & {
  surface: Surface
  card: Card
  findings: Finding[]
  facts: PageFacts | null
  tab: Pane
  onTab: (tab: Pane) => void
  draft: React.ReactNode
  placeOf: (finding: Finding) => string | null
}

const TAB =
  'h-[38px] border-b-2 border-transparent font-semibold text-quiet data-[state=active]:border-ink data-[state=active]:text-ink'

/** Why the chosen card looks so, and what is wrong with the page. */
export function ReasonsPane({ surface, card, findings, facts, tab, onTab, draft, placeOf, lit, onLit }: Props) {
  const onFinding = (line: number | null) => {
    const found = findings.find((finding) => finding.line === line)
    onLit(line === null ? null : { line, column: found?.column ?? 1 })
  }
  return (
    <Tabs.Root value={tab} onValueChange={(value) => onTab(value as Pane)} asChild>
      <aside
        aria-label="Draft, reasons and findings"
        className="flex min-h-0 flex-col border-l border-line bg-sheet max-md:order-2 max-md:shrink-0 max-md:border-l-0 max-md:border-t"
      >
        <Tabs.List aria-label="Draft, reasons and findings" className="flex shrink-0 gap-4 border-b border-line px-4">
          <Tabs.Trigger value="draft" className={TAB}>
            Draft
          </Tabs.Trigger>
          <Tabs.Trigger value="reasons" className={TAB}>
            Reasons
          </Tabs.Trigger>
          <Tabs.Trigger value="findings" className={TAB}>
            Findings <span className="ml-1 tabular-nums">{findings.length}</span>
          </Tabs.Trigger>
          <Tabs.Trigger value="tags" className={TAB}>
            Tags <span className="ml-1 tabular-nums">{facts?.metas.length ?? 0}</span>
          </Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value="draft" className="min-h-0 flex-1 overflow-auto px-4 py-4">
          {draft}
        </Tabs.Content>
        <Tabs.Content value="reasons" className="min-h-0 flex-1 overflow-auto px-4 py-4">
          <Reasons surface={surface} card={card} lit={lit} onLit={onLit} />
        </Tabs.Content>
        <Tabs.Content value="findings" className="min-h-0 flex-1 overflow-auto px-4 py-4">
          <FindingsView findings={findings} onLine={onFinding} placeOf={placeOf} />
        </Tabs.Content>
        <Tabs.Content value="tags" className="min-h-0 flex-1 overflow-auto px-4 py-4">
          {facts ? (
            <TagsView facts={facts} lit={lit} onLit={onLit} />
          ) : (
            <p className="text-quiet">The page could not be read.</p>
          )}
        </Tabs.Content>
      </aside>
    </Tabs.Root>
  )
}

function Reasons({ surface, card, lit, onLit }: Lighting & { surface: Surface; card: Card }) {
  const { ladders } = card
  const light = { lit, onLit }
  return (
    <div className="grid gap-[12px]">
      <p className="text-quiet">
        <b className="font-semibold text-ink">{surface.name}.</b> {surface.about}
        {surface.token && (
          <>
            {' '}
            Its crawler: <code>{surface.token}</code>.
          </>
        )}
      </p>
      {card.bareBecause && <p className="font-semibold">{card.bareBecause}</p>}
      <LadderView name="Title" ladder={card.title.ladder} {...light} />
      {card.title.ifLastWins !== undefined && (
        <p className="text-small text-quiet">
          A place that takes the last of repeated tags shows “{card.title.ifLastWins}”.
        </p>
      )}
      <LadderView
        name="Description"
        ladder={card.description.ladder}
        hasNoRoom={hasNoRoom(card.description)}
        {...light}
      />
      {surface.picture && <LadderView name="Picture" ladder={card.image.ladder} {...light} />}
      <RichView rich={card.rich} labels={surface.labels ? card.labels : []} />
      <LadderView name="Site line" ladder={ladders.siteLine} {...light} />
      {surface.favicon && <LadderView name="Favicon" ladder={ladders.favicon} {...light} />}
    </div>
  )
}
