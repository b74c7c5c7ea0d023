'use client'

// First of all: schemas are made when their modules are read.
import './no-eval'
import { type ReactNode, useEffect } from 'react'
import type { StartedWith } from '@/core/crawl'
import { closeLeftBehind } from '@/store/runs'
import { CausesArea } from './features/causes/causes-area'
import { ClearanceArea } from './features/clearance/clearance-area'
import { BulkDialog } from './features/draft/bulk-dialog'
import { DraftPane } from './features/draft/draft-pane'
import { DraftsArea } from './features/draft/drafts-area'
import { UndoKeys } from './features/draft/undo-keys'
import { DriftArea } from './features/drift/drift-area'
import { AreaBoundary } from './features/frame/area-boundary'
import { FrameKeys } from './features/frame/frame-keys'
import { LeaveGuard } from './features/frame/leave-guard'
import { NotKeptBar } from './features/frame/not-kept-bar'
import { TopBar } from './features/frame/top-bar'
import { TriedBar } from './features/frame/tried-bar'
import { GatherArea } from './features/gather/gather-area'
import { PageArea } from './features/page/page-area'
import { PicturesArea } from './features/pictures/pictures-area'
import { WallArea } from './features/wall/wall-area'
import { shortAddress } from './kit/words'
import { resumeSteps } from './state/draft/draft-history'
import { resumePendingWrites } from './state/draft/pending-writes'
import { StartedWithContext } from './state/run/started-with'
import { useRun } from './state/run/use-run'
import { SurfacesOfSite } from './state/surface/use-surfaces'
import { type Area, areaOf } from './state/view/areas'
import { useView } from './state/view/use-view'
import { titleOf, viewHref } from './state/view/view'

/** The whole application: the frame, and the area that the address names. */
export function App({
  demo,
  editedDemo,
  startedWith,
}: {
  demo: string | null
  editedDemo: string | null
  startedWith: StartedWith | null
}) {
  const { view, goTo } = useView()
  const run = useRun(view.run)
  const href = viewHref(view)
  const shown: Record<Area, () => ReactNode> = {
    gather: () => <GatherArea demo={demo} editedDemo={editedDemo} goTo={goTo} />,
    wall: () => <WallArea view={view} goTo={goTo} run={run} bulkDraft={BulkDialog} />,
    page: () => <PageArea view={view} goTo={goTo} run={run} draftPane={DraftPane} />,
    causes: () => <CausesArea view={view} goTo={goTo} run={run} />,
    pictures: () => <PicturesArea view={view} goTo={goTo} run={run} />,
    drafts: () => <DraftsArea view={view} goTo={goTo} run={run} />,
    drift: () => <DriftArea view={view} goTo={goTo} run={run} />,
    clearance: () => <ClearanceArea goTo={goTo} run={run} />,
  }
  const site = run.kind === 'ready' ? run.value.source.site : null
  useEffect(() => {
    void closeLeftBehind()
    void resumePendingWrites()
    void resumeSteps()
  }, [])
  return (
    <StartedWithContext value={startedWith}>
      <title>{titleOf(view, site && shortAddress(site))}</title>
      <SurfacesOfSite site={site}>
        <div className="flex h-screen min-h-[420px] flex-col print:block print:h-auto">
          <FrameKeys />
          <UndoKeys />
          <AreaBoundary name="The top bar" resetKey={href}>
            <TopBar view={view} goTo={goTo} run={run.kind === 'ready' ? run.value : null} demo={demo} />
          </AreaBoundary>
          <LeaveGuard />
          <NotKeptBar goTo={goTo} />
          {run.kind === 'ready' && run.value.tried && <TriedBar run={run.value} goTo={goTo} />}
          <main className="relative min-h-0 flex-1 overflow-hidden print:overflow-visible">
            <AreaBoundary name={areaOf(view.area)?.name ?? ''} resetKey={href}>
              {shown[view.area]()}
            </AreaBoundary>
          </main>
        </div>
      </SurfacesOfSite>
    </StartedWithContext>
  )
}
