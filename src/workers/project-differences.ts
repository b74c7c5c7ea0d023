import { pathOn } from '@/core/address'
import { askedOfPages } from '@/core/requirements'
import { stableJson } from '@/core/text'
import type { ProjectManifest } from '@/store/archive/project-format'
import { draftsOf, ownDefaultsOf } from '@/store/drafts'
import { ownRequirementsOf } from '@/store/requirements'
import { templatesOf } from '@/store/templates'

/** Whose stays where both have something: this browser's, or that of the archive. */
export type Side = 'mine' | 'archive'

/** One thing that this browser and an archive both have, and have otherwise. */
export type ProjectDifference = {
  /** The same for the same thing, so that a choice can be told by it. */
  id: string
  /** What it is, in words. */
  name: string
  /** What differs in it, part by part, as it is written on each side; null: not there. */
  parts: { part: string; mine: string | null; archive: string | null }[]
  /** When each was changed last (ISO 8601); null where nothing tells. */
  changedAt: Record<Side, string | null>
  /** Which stays unless somebody says otherwise: the later one, else what is here. */
  stays: Side
}

export const differenceId = {
  draft: (url: string) => `draft ${url}`,
  requirements: () => 'requirements',
  defaults: () => 'defaults',
  template: (section: string) => `template ${section}`,
}

/** Values of two sides are alike whatever the order in which they were written. */
export const areAlike = (a: unknown, b: unknown): boolean => stableJson(a) === stableJson(b)

/** Characters of a value that are shown. */
const MOST_SHOWN = 400

function asWritten(value: unknown): string | null {
  if (value === undefined) return null
  const text = typeof value === 'string' ? value : value === null ? '(removed)' : stableJson(value)
  return text.length > MOST_SHOWN ? `${text.slice(0, MOST_SHOWN)}…` : text
}

/** The fields in which two records differ. */
function partsOf(mine: object, archive: object): ProjectDifference['parts'] {
  const [a, b] = [new Map(Object.entries(mine)), new Map(Object.entries(archive))]
  return [...new Set([...a.keys(), ...b.keys()])].sort().flatMap((part) => {
    if (areAlike(a.get(part), b.get(part))) return []
    return [{ part, mine: asWritten(a.get(part)), archive: asWritten(b.get(part)) }]
  })
}

const unknown = { mine: null, archive: null }

/** What this browser and an archive both have of its site, and have otherwise, in the order in which it is asked about. */
export async function projectDifferences(manifest: ProjectManifest): Promise<ProjectDifference[]> {
  const { site } = manifest
  const found: ProjectDifference[] = []
  const add = (difference: Omit<ProjectDifference, 'parts'>, mine: object, archive: object) => {
    const parts = partsOf(mine, archive)
    if (parts.length > 0) found.push({ ...difference, parts })
  }
  const own = new Map((await draftsOf(site)).map((draft) => [draft.url, draft]))
  for (const draft of manifest.drafts) {
    const mine = draft.site === site ? own.get(draft.url) : undefined
    if (!mine) continue
    const isLater = Date.parse(draft.changedAt) > Date.parse(mine.changedAt)
    add(
      {
        id: differenceId.draft(draft.url),
        name: `Draft of ${pathOn(draft.url, site)}`,
        changedAt: { mine: mine.changedAt, archive: draft.changedAt },
        stays: isLater ? 'archive' : 'mine',
      },
      mine.fields,
      draft.fields,
    )
  }
  const requirements = await ownRequirementsOf(site)
  if (requirements && manifest.requirements) {
    const [mine, archive] = [askedOfPages(requirements), askedOfPages(manifest.requirements)]
    // Where one side asks nothing of the pages, the other's stands, and nobody has to choose.
    if (Object.keys(mine).length > 0 && Object.keys(archive).length > 0)
      add({ id: differenceId.requirements(), name: 'Requirements', changedAt: unknown, stays: 'mine' }, mine, archive)
  }
  const defaults = await ownDefaultsOf(site)
  if (defaults && manifest.defaults)
    add(
      { id: differenceId.defaults(), name: 'Defaults of the site', changedAt: unknown, stays: 'mine' },
      defaults,
      manifest.defaults,
    )
  const templates = new Map(Object.entries(await templatesOf(site)))
  for (const [section, archive] of Object.entries(manifest.templates ?? {})) {
    const mine = templates.get(section)
    if (mine)
      add(
        {
          id: differenceId.template(section),
          name: `Image template of ${section}`,
          changedAt: unknown,
          stays: 'mine',
        },
        mine,
        archive,
      )
  }
  return found
}
