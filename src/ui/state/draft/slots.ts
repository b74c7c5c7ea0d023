import type { ComponentType, ReactNode } from 'react'
import type { GatheredPage } from '@/core/model'
import type { CardContext } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import type { GoTo } from '../view/use-view'
import type { PageDraft } from './use-page-draft'

/** Where one page is drafted. Other areas are handed it by the frame: no area imports another. */
export type DraftPaneSlot = ComponentType<{
  run: string
  site: string
  page: GatheredPage
  draft: PageDraft
  context: CardContext
  sameTitles: string[]
  goTo: GoTo
}>

/** Where one change is drafted for many pages; `children` opens it. */
export type BulkDraftSlot = ComponentType<{
  run: StoredRun
  rows: WallRow[]
  onDone: () => void
  children: ReactNode
}>
