import {
  type ComparedRun,
  type Comparison,
  compareRuns,
  gatheringCompared,
  isThere,
  surroundingsOf,
} from '@/core/compare'
import type { GatheredPage } from '@/core/model'
import { surfacesWith } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import { givenImages } from '@/store/images'
import { pagesAt } from '@/store/pages'
import { requirementsOf } from '@/store/requirements'
import { rowsOf } from '@/store/rows'
import { runAt } from '@/store/runs'
import { asGathering } from './look-again'
import { UserFacingError } from './user-facing-error'

/** Addresses by which pages can be shared. */
export type SharedAddresses = {
  /** Pages that could be read, by their own addresses. */
  pages: string[]
  /** Other addresses that lead to one of them. */
  variants: [address: string, page: string][]
}

export type StoredComparison = {
  comparison: Comparison
  addresses: { before: SharedAddresses; after: SharedAddresses }
}

/** A run with its rows, which tell of most pages all that there is to say. */
type Side = { run: StoredRun; rows: Map<string, WallRow> }

async function sideOf(id: string): Promise<Side> {
  const run = await runAt(id)
  if (!run) throw new UserFacingError('One of the two runs is not in this browser any more. Choose another.')
  return { run, rows: new Map((await rowsOf(id)).map((row) => [row.url, row])) }
}

/** Pages that are there in both runs, and of which nothing differs: neither has to be read. */
function alikeIn(before: Side, after: Side): Set<string> {
  const alike = new Set<string>()
  if (surroundingsOf(before.run) !== surroundingsOf(after.run)) return alike
  for (const [url, row] of after.rows) {
    const was = before.rows.get(url)
    if (was && isThere(was) && isThere(row) && row.digest && row.digest === was.digest) alike.add(url)
  }
  return alike
}

/** Findings of a run as they were judged, but for those of pages that have the same in the other. */
function findingsOf({ run, rows }: Side, other: Side): ComparedRun['findings'] {
  const rulesOf = (row: WallRow | undefined) => row?.findings.map(({ rule }) => rule).join(' ')
  return [
    ...[...rows.values()].flatMap((row) => {
      const isSame = rulesOf(row) === rulesOf(other.rows.get(row.url))
      return isSame ? [] : row.findings.map(({ rule }) => ({ rule, page: row.url }))
    }),
    ...run.findings.flatMap(({ rule, pages }) => pages.map((page) => ({ rule, page }))),
  ]
}

/** Pages of a run that have to be read to be compared, by their addresses. */
async function pagesOf({ run, rows }: Side, alike: ReadonlySet<string>): Promise<Map<string, GatheredPage>> {
  const urls = [...rows.values()].flatMap(({ url, digest }) => (alike.has(url) && digest !== undefined ? [] : [url]))
  const stored = await pagesAt(run.id, urls)
  return new Map(stored.flatMap((found) => (found ? [[found.url, found.page] as const] : [])))
}

async function comparedOf({ run }: Side, pages: ReadonlyMap<string, GatheredPage>, findings: ComparedRun['findings']) {
  const images = pages.size === 0 ? [] : await givenImages(run.id)
  const gathering = asGathering(run, [...pages.values()], images)
  return gatheringCompared(gathering, findings, await requirementsOf(run.source.site))
}

/** Pages that could not be read have no copy anywhere that would be worth renewing. */
function addressesOf({ rows }: Side, pages: ReadonlyMap<string, GatheredPage>): SharedAddresses {
  const shared: SharedAddresses = { pages: [], variants: [] }
  for (const row of rows.values()) {
    const page = row.digest === undefined ? pages.get(row.url) : undefined
    const isRead = page ? page.facts !== null : Boolean(row.digest)
    if (!isRead || !isThere(row)) continue
    shared.pages.push(row.url)
    for (const alias of page?.fetch.aliases ?? row.aliases ?? []) shared.variants.push([alias, row.url])
  }
  return shared
}

/** Two stored runs against each other. The cards of both are those that today's surfaces would show. */
export async function compareStored(before: string, after: string): Promise<StoredComparison> {
  const earlier = await sideOf(before)
  const later = before === after ? earlier : await sideOf(after)
  const alike = alikeIn(earlier, later)
  const pages = { before: await pagesOf(earlier, alike), after: await pagesOf(later, alike) }
  return {
    comparison: compareRuns(
      await comparedOf(earlier, pages.before, findingsOf(earlier, later)),
      await comparedOf(later, pages.after, findingsOf(later, earlier)),
      surfacesWith((await requirementsOf(later.run.source.site)).ownSurfaces ?? []),
    ),
    addresses: { before: addressesOf(earlier, pages.before), after: addressesOf(later, pages.after) },
  }
}
