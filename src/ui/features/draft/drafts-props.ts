import type { Draft, KnownDefaults } from '@/core/draft'
import type { CardContext } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import type { GoTo } from '../../state/view/use-view'
import type { Standing } from './use-landings'

/** What every part of the drafts' area works on. */
export type DraftsProps = {
  run: StoredRun
  rows: WallRow[]
  site: string
  drafts: ReadonlyMap<string, Draft>
  defaults: KnownDefaults
  context: CardContext
  landings: ReadonlyMap<string, Standing>
  goTo: GoTo
  /** Path of the page that was open before; null for none. */
  page: string | null
}
