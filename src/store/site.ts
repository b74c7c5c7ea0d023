import { database } from './database'

/** Does this browser hold drafts, defaults, requirements or templates of a site? */
export async function hasSomethingOf(site: string): Promise<boolean> {
  const { drafts, defaults, requirements, templates } = database
  const counts = await Promise.all([
    drafts.where('site').equals(site).count(),
    defaults.where('site').equals(site).count(),
    requirements.where('site').equals(site).count(),
    templates.where('site').equals(site).count(),
  ])
  return counts.some((count) => count > 0)
}
