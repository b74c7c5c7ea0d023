'use client'

// First of all: schemas are made when their modules are read.
import './no-eval'
import { useEffect } from 'react'
import type { StartedWith } from '@/core/crawl'
import { closeLeftBehind } from '@/store/runs'
import { CausesArea } from './causes/causes-area'
import { ClearanceArea } from './clearance/clearance-area'
import { DraftsArea } from './draft/drafts-area'
import { takeLeftSteps } from './draft/left-steps'
import { UndoKeys } from './draft/undo-keys'
import { DriftArea } from './drift/drift-area'
import { AreaBoundary } from './frame/area-boundary'
import { FrameKeys } from './frame/frame-keys'
import { AREA_NAMES, TopBar } from './frame/top-bar'
import { GatherArea } from './gather/gather-area'
import { PageArea } from './page/page-area'
import { PicturesArea } from './pictures/pictures-area'
import { StartedWithContext } from './run/started-with'
import { useRun } from './run/use-run'
import { SurfacesOfSite } from './surface/use-surfaces'
import { useView } from './view/use-view'
import { viewHref } from './view/view'
import { WallArea } from './wall/wall-area'

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
  useEffect(() => {
    void closeLeftBehind()
    void takeLeftSteps()
  }, [])
  return (
    <StartedWithContext value={startedWith}>
      <SurfacesOfSite site={run.kind === 'ready' ? run.value.source.site : null}>
        <div className="flex h-screen min-h-[420px] flex-col">
          <FrameKeys />
          <UndoKeys />
          <AreaBoundary name="The top bar" resetKey={href}>
            <TopBar view={view} goTo={goTo} run={run.kind === 'ready' ? run.value : null} demo={demo} />
          </AreaBoundary>
          <main className="min-h-0 flex-1">
            <AreaBoundary name={AREA_NAMES[view.area]} resetKey={href}>
              {view.area === 'gather' && <GatherArea demo={demo} editedDemo={editedDemo} goTo={goTo} />}
              {view.area === 'wall' && <WallArea view={view} goTo={goTo} run={run} />}
              {view.area === 'causes' && <CausesArea view={view} goTo={goTo} run={run} />}
              {view.area === 'pictures' && <PicturesArea view={view} goTo={goTo} run={run} />}
              {view.area === 'drift' && <DriftArea view={view} goTo={goTo} run={run} />}
              {view.area === 'clearance' && <ClearanceArea goTo={goTo} run={run} />}
              {view.area === 'drafts' && <DraftsArea view={view} goTo={goTo} run={run} />}
              {view.area === 'page' && <PageArea view={view} goTo={goTo} run={run} />}
            </AreaBoundary>
          </main>
        </div>
      </SurfacesOfSite>
    </StartedWithContext>
  )
}
