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
