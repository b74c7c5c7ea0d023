import { type Draft, noDefaults, type SiteDefaults } from '@/core/draft'
import type { Focus } from '@/core/image'
import { database } from './database'

/** One step of work on drafts and on what they name: what stood before and what stands after, so that it can be taken back. */
export type DraftStep = {
  site: string
  /** What was done, in words that follow “Undo:”. */
  label: string
  drafts: { url: string; before: Draft | null; after: Draft | null }[]
  defaults?: { before: SiteDefaults; after: SiteDefaults }
  /** The focus of a picture, by its address; null: none is set. */
  focus?: { url: string; before: Focus | null; after: Focus | null }
}

export async function draftsOf(site: string): Promise<Draft[]> {
  return database.drafts.where('site').equals(site).toArray()
}

export async function defaultsOf(site: string): Promise<SiteDefaults> {
  return (await database.defaults.get(site))?.defaults ?? noDefaults
}

function hasLandedSince(
  now: Draft | undefined,
  change: DraftStep['drafts'][number],
  side: 'before' | 'after',
): boolean {
  const left = change[side === 'before' ? 'after' : 'before']
  return now !== undefined && now.landedAt !== null && left?.landedAt === null
}

/** Writes one side of a step, all of it or nothing. */
export async function writeStep(step: DraftStep, side: 'before' | 'after'): Promise<void> {
  const { drafts, defaults, focuses } = database
  await database.transaction('rw', [drafts, defaults, focuses], async () => {
    const now = await drafts.bulkGet(step.drafts.map(({ url }) => [step.site, url] as [string, string]))
    // What has landed since the step was done is in the build: taking the step back takes nothing of that with it.
    const changes = step.drafts.filter((change, index) => !hasLandedSince(now[index], change, side))
    const kept = changes.flatMap((change) => change[side] ?? [])
    const gone = changes
      .filter((change) => change[side] === null)
      .map(({ url }) => [step.site, url] as [string, string])
    await drafts.bulkPut(kept)
    await drafts.bulkDelete(gone)
    if (step.defaults) await defaults.put({ site: step.site, defaults: step.defaults[side] })
    const { site, focus } = step
    const set = focus?.[side]
    if (focus && set) await focuses.put({ site, url: focus.url, focus: set, setAt: new Date().toISOString() })
    else if (focus) await focuses.delete([site, focus.url])
  })
}

/** What a run has shown of a draft. */
export type DraftChange = { draft: Pick<Draft, 'site' | 'url'>; change: Partial<Draft> }

/** Writes down of drafts what a run has shown of them, all in one step. */
export async function updateDrafts(changes: readonly DraftChange[]): Promise<void> {
  if (changes.length === 0) return
  await database.drafts.bulkUpdate(
    changes.map(({ draft: { site, url }, change }) => ({ key: [site, url] as [string, string], changes: change })),
  )
}

/** Keeps drafts as they are given, in place of those of their pages. */
export async function keepDrafts(drafts: readonly Draft[]): Promise<void> {
  await database.drafts.bulkPut([...drafts])
}

/** Defaults that somebody set for a site; undefined where nobody has. */
export const ownDefaultsOf = async (site: string): Promise<SiteDefaults | undefined> =>
  (await database.defaults.get(site))?.defaults

/** Keeps the defaults of a site. */
export async function keepDefaults(site: string, defaults: SiteDefaults): Promise<void> {
  await database.defaults.put({ site, defaults })
}
