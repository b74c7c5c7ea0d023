import { type ComparedRun, gatheringCompared } from '@/core/compare/compared-run'
import { type Comparison, compareRuns } from '@/core/compare/drift'
import { database, type StoredRun } from '@/store/database'
import { requirementsOf } from './judge'
import { gatheringOf } from './look-again'
import { SaidFailure } from './said-failure'

/** Addresses by which a page can be shared, with the page that each leads to: its own first, then its variants. */
export type SharedAddresses = [address: string, page: string][]

export type StoredComparison = {
  comparison: Comparison
  addresses: { before: SharedAddresses; after: SharedAddresses }
}

/** Findings of a run as they were judged. */
async function findingsOf(run: StoredRun): Promise<ComparedRun['findings']> {
  const rows = await database.rows.where('run').equals(run.id).toArray()
  return [
    ...rows.flatMap(({ url, findings }) => findings.map(({ rule }) => ({ rule, page: url }))),
    ...run.findings.flatMap(({ rule, pages }) => pages.map((page) => ({ rule, page }))),
  ]
}

async function sideOf(id: string): Promise<ComparedRun> {
  const run = await database.runs.get(id)
  if (!run) throw new SaidFailure('One of the two runs is not in this browser any more. Choose another.')
  const { gathering } = await gatheringOf(run)
  return gatheringCompared(gathering, await findingsOf(run), await requirementsOf(run.source.site))
}

/** Pages that could not be read have no copy anywhere that would be worth renewing. */
const addressesOf = ({ pages }: ComparedRun): SharedAddresses =>
  pages.flatMap(({ url, facts, fetch }) =>
    facts ? [url, ...fetch.aliases].map((address): SharedAddresses[number] => [address, url]) : [],
  )

/** Two stored runs against each other. The cards of both are those that today's surfaces would show. */
export async function compareStored(before: string, after: string): Promise<StoredComparison> {
  const later = await sideOf(after)
  const earlier = before === after ? later : await sideOf(before)
  return {
    comparison: compareRuns(earlier, later),
    addresses: { before: addressesOf(earlier), after: addressesOf(later) },
  }
}
