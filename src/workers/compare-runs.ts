import { type ComparedRun, type Comparison, compareRuns, gatheringCompared } from '@/core/compare'
import { database, type StoredRun, type WallRow } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { gatheringOf, rowsOf } from './look-again'
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

/** Findings of a run as they were judged. */
const findingsOf = (run: StoredRun, rows: readonly WallRow[]): ComparedRun['findings'] => [
  ...rows.flatMap(({ url, findings }) => findings.map(({ rule }) => ({ rule, page: url }))),
  ...run.findings.flatMap(({ rule, pages }) => pages.map((page) => ({ rule, page }))),
]

async function sideOf(id: string): Promise<ComparedRun> {
  const run = await database.runs.get(id)
  if (!run) throw new UserFacingError('One of the two runs is not in this browser any more. Choose another.')
  const rows = await rowsOf(id)
  const { gathering } = await gatheringOf(run, rows)
  return gatheringCompared(gathering, findingsOf(run, rows), await requirementsOf(run.source.site))
}

/** Pages that could not be read have no copy anywhere that would be worth renewing. */
function addressesOf({ pages }: ComparedRun): SharedAddresses {
  const read = pages.filter(({ facts }) => facts !== null)
  return {
    pages: read.map(({ url }) => url),
    variants: read.flatMap(({ url, fetch }) =>
      fetch.aliases.map((alias): SharedAddresses['variants'][number] => [alias, url]),
    ),
  }
}

/** Two stored runs against each other. The cards of both are those that today's surfaces would show. */
export async function compareStored(before: string, after: string): Promise<StoredComparison> {
  const [earlier, later] = await Promise.all([sideOf(before), before === after ? null : sideOf(after)])
  return {
    comparison: compareRuns(earlier, later ?? earlier),
    addresses: { before: addressesOf(earlier), after: addressesOf(later ?? earlier) },
  }
}
