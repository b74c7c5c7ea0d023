import type { SignedOff } from '@/core/document'
import {
  differenceFromSignOff,
  jsonPieces,
  type PaperOptions,
  type ReportFormat,
  type RunDocument,
  reportFormats,
  runDocument,
  signOffDifferences,
} from '@/core/report'
import type { StoredRun } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { runAt } from '@/store/runs'
import { digestOf, digestOfTexts } from './digest'
import { gatheringOf } from './look-again'
import { reportPictures } from './report-pictures'
import { UserFacingError } from './user-facing-error'

/** The sign-off with the hash of what it stands in: the document without it. */
async function signedOffOf(
  document: RunDocument,
  { by, at, errors }: NonNullable<StoredRun['signedOff']>,
): Promise<SignedOff> {
  const run = digestOfTexts(jsonPieces(document))
  return { by, at, run, waived: document.summary.waived, errors }
}

/** The form's text in a blob: in pieces where there are, since no text is as long as a large run. */
function written(form: ReportFormat, document: RunDocument, options: PaperOptions): Blob {
  if (!form.pieces) return new Blob([form.write(document, options)], { type: form.mediaType })
  const parts: Blob[] = []
  let texts: string[] = []
  let length = 0
  const pack = () => {
    // What is in a blob is the browser's to keep: on disk, where it is much.
    parts.push(new Blob(texts))
    texts = []
    length = 0
  }
  for (const piece of form.pieces(document, options)) {
    texts.push(piece)
    length += piece.length
    if (length > PART) pack()
  }
  pack()
  return new Blob(parts, { type: form.mediaType })
}

/** Characters that are put into a blob at once. */
const PART = 4_000_000

/** A stored run as the command would write it, by the requirements that its site has now. */
export async function exportRun(
  id: string,
  format: string,
  { onePage, timeZone }: { onePage: boolean; timeZone: string },
): Promise<Blob> {
  const run = await runAt(id)
  if (!run) throw new UserFacingError('The run is not in this browser any more.')
  const form = reportFormats.find((one) => one.id === format)
  if (!form) throw new UserFacingError(`There is no form “${format}”.`)
  const { gathering } = await gatheringOf(run)
  const today = new Date().toISOString().slice(0, 10)
  const requirements = await requirementsOf(run.source.site)
  const document = runDocument(gathering, requirements, today)
  const pictures = format === 'html' ? await reportPictures(id, document, onePage) : new Map()
  const options: PaperOptions = { failOn: 'error', onePage, timeZone, pictures }
  if (!run.signedOff) return written(form, document, options)
  const signed = { ...document, signedOff: await signedOffOf(document, run.signedOff) }
  const { content } = run.signedOff
  if (!content) return written(form, signed, options)
  const differs = signOffDifferences(await differenceFromSignOff(document, requirements, content, digestOf))
  const { by, at } = content
  return written(form, { ...signed, signOff: { by, at, content: content.content, differs } }, options)
}
