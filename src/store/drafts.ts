import type { Draft, SiteDefaults } from '@/core/draft/draft'
import { noDefaults } from '@/core/draft/draft'
import { database } from './database'

/** One step of work on drafts: what stood before and what stands after, so that it can be taken back. */
export type DraftStep = {
  site: string
  /** What was done, in words that follow “Undo:”. */
  label: string
  drafts: { url: string; before: Draft | null; after: Draft | null }[]
  defaults?: { before: SiteDefaults; after: SiteDefaults }
}

export async function draftsOf(site: string): Promise<Draft[]> {
  return database.drafts.where('site').equals(site).toArray()
}

export async function defaultsOf(site: string): Promise<SiteDefaults> {
  return (await database.defaults.get(site))?.defaults ?? noDefaults
}

/** Writes one side of a step, all of it or nothing. */
export async function writeStep(step: DraftStep, side: 'before' | 'after'): Promise<void> {
  const { drafts, defaults } = database
  await database.transaction('rw', [drafts, defaults], async () => {
    const kept = step.drafts.flatMap((change) => change[side] ?? [])
    const gone = step.drafts
      .filter((change) => change[side] === null)
      .map(({ url }) => [step.site, url] as [string, string])
    await drafts.bulkPut(kept)
    await drafts.bulkDelete(gone)
    if (step.defaults) await defaults.put({ site: step.site, defaults: step.defaults[side] })
  })
}
