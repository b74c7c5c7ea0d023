import { surfacesWith } from '@/core/check'
import {
  differenceFromSignOff,
  runDocument,
  type SignOffDifference,
  signOffDifferences,
  signOffOf,
  unseenLines,
} from '@/core/report'
import { database, type StoredRun } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { digestOf } from './digest'
import { gatheringOf } from './look-again'
import { UserFacingError } from './user-facing-error'

const runOf = async (id: string): Promise<StoredRun> => {
  const run = await database.runs.get(id)
  if (!run) throw new UserFacingError('The run is not in this browser any more.')
  return run
}

/** A stored run as a document, by the requirements that its site has now. */
async function documentOf(run: StoredRun) {
  const { gathering } = await gatheringOf(run)
  const requirements = await requirementsOf(run.source.site)
  return { document: runDocument(gathering, requirements, new Date().toISOString().slice(0, 10)), requirements }
}

/** Writes down somebody's yes to what the cards of a run show, to what was waived and to what was required. */
export async function signRun(id: string, by: string, reason: string | undefined): Promise<void> {
  const run = await runOf(id)
  const { document, requirements } = await documentOf(run)
  const errors = document.summary.error
  const content = await signOffOf(
    document,
    requirements,
    {
      by,
      at: new Date().toISOString(),
      reason,
      surfaces: requirements.surfaces ?? surfacesWith(requirements.ownSurfaces ?? []).map((surface) => surface.id),
      errors,
      notLookedAt: [
        ...unseenLines(document),
        ...[...document.incomplete, ...document.notes].map(({ message }) => message),
      ],
    },
    digestOf,
  )
  await database.runs.update(id, { signedOff: { by, at: content.at, errors, content } })
}

/** In what a run differs from what was signed in another, or in itself before the requirements were edited. */
export async function holdAgainstSignOff(
  id: string,
  signed: string,
): Promise<{ differs: string[]; difference: SignOffDifference }> {
  const content = (await runOf(signed)).signedOff?.content
  if (!content) throw new UserFacingError('The run was signed before sign-offs were of a content. Sign it again.')
  const { document, requirements } = await documentOf(await runOf(id))
  // Of another site only the content was signed: what is required there is its own.
  const isSameSite = content.site === document.source.site
  const difference = await differenceFromSignOff(document, isSameSite ? requirements : null, content, digestOf)
  return { differs: signOffDifferences(difference), difference }
}
