import { reportFormats } from '@/core/report/formats'
import { runDocument } from '@/core/report/run-document'
import { database } from '@/store/database'
import { requirementsOf } from './judge'
import { gatheringOf } from './look-again'
import { SaidFailure } from './said-failure'

/** A stored run as the command would write it, by the requirements that its site has now. */
export async function exportRun(id: string, format: string): Promise<string> {
  const run = await database.runs.get(id)
  if (!run) throw new SaidFailure('The run is not in this browser any more.')
  const form = reportFormats.find((one) => one.id === format)
  if (!form) throw new SaidFailure(`There is no form “${format}”.`)
  const { gathering } = await gatheringOf(run)
  const today = new Date().toISOString().slice(0, 10)
  return form.write(runDocument(gathering, await requirementsOf(run.source.site), today))
}
