import type { SignedOff } from '@/core/document'
import {
  differenceFromSignOff,
  type PaperOptions,
  type RunDocument,
  reportFormats,
  runAsJson,
  runDocument,
  signOffDifferences,
} from '@/core/report'
import { database, type StoredRun } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { digestOf } from './digest'
import { gatheringOf } from './look-again'
import { reportPictures } from './report-pictures'
import { UserFacingError } from './user-facing-error'

/** The sign-off with the hash of what it stands in: the document without it. */
async function signedOffOf(
  document: RunDocument,
  { by, at, errors }: NonNullable<StoredRun['signedOff']>,
): Promise<SignedOff> {
  const run = await digestOf(new TextEncoder().encode(runAsJson(document)))
  return { by, at, run, waived: document.summary.waived, errors }
}

/** A stored run as the command would write it, by the requirements that its site has now. */
export async function exportRun(
  id: string,
  format: string,
  { onePage, timeZone }: { onePage: boolean; timeZone: string },
): Promise<string> {
  const run = await database.runs.get(id)
  if (!run) throw new UserFacingError('The run is not in this browser any more.')
  const form = reportFormats.find((one) => one.id === format)
  if (!form) throw new UserFacingError(`There is no form “${format}”.`)
  const { gathering } = await gatheringOf(run)
  const today = new Date().toISOString().slice(0, 10)
  const requirements = await requirementsOf(run.source.site)
  const document = runDocument(gathering, requirements, today)
  const pictures = format === 'html' ? await reportPictures(id, document, onePage) : new Map()
  const options: PaperOptions = { failOn: 'error', onePage, timeZone, pictures }
  if (!run.signedOff) return form.write(document, options)
  const signed = { ...document, signedOff: await signedOffOf(document, run.signedOff) }
  const { content } = run.signedOff
  if (!content) return form.write(signed, options)
  const differs = signOffDifferences(await differenceFromSignOff(document, requirements, content, digestOf))
  const { by, at } = content
  return form.write({ ...signed, signOff: { by, at, content: content.content, differs } }, options)
}
