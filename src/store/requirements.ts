import { noRequirements, type Requirements } from '@/core/requirements'
import { database } from './database'

/** Requirements that a site has in this browser. */
export async function requirementsOf(site: string): Promise<Requirements> {
  return (await database.requirements.get(site))?.requirements ?? noRequirements
}

/** Keeps what a site must have from now on. */
export async function keepRequirements(site: string, requirements: Requirements): Promise<void> {
  await database.requirements.put({ site, requirements })
}

/** Requirements that somebody gave a site; undefined where nobody has. */
export const ownRequirementsOf = async (site: string): Promise<Requirements | undefined> =>
  (await database.requirements.get(site))?.requirements

/** Those of every site that has some. */
export const allRequirements = async (): Promise<Requirements[]> =>
  (await database.requirements.toArray()).map(({ requirements }) => requirements)
