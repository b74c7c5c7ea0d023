import { readPrivateKey, readSigners, signatureState } from '@/core/document'
import {
  differenceFromSignOff,
  faultOfSignOff,
  runDocument,
  type SignOffDifference,
  signatureWords,
  signOffDifferences,
  signOffOf,
  unseenLines,
} from '@/core/report'
import { surfacesWith } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { changeRun, runAt } from '@/store/runs'
import { digestOf } from './digest'
import { gatheringOf } from './look-again'
import { UserFacingError } from './user-facing-error'
import { signedWithKey, verifySignature } from './verify-signature'

const runOf = async (id: string): Promise<StoredRun> => {
  const run = await runAt(id)
  if (!run) throw new UserFacingError('The run is not in this browser any more.')
  return run
}

/** A stored run as a document, by the requirements that its site has now. */
async function documentOf(run: StoredRun) {
  const { gathering } = await gatheringOf(run)
  const requirements = await requirementsOf(run.source.site)
  return { document: runDocument(gathering, requirements, new Date().toISOString().slice(0, 10)), requirements }
}

/**
 * Writes down somebody's yes to what the cards of a run show, to what was waived and to what was required.
 *
 * @param key text of a file with a private key of Ed25519 to sign with; it is kept nowhere
 * @throws UserFacingError where the key can't be used
 */
export async function signRun(id: string, by: string, reason: string | undefined, key?: string): Promise<void> {
  const seed = key === undefined ? null : readPrivateKey(key)
  if (seed && !seed.ok) throw new UserFacingError(`The key can’t be used. ${seed.fault}`)
  const run = await runOf(id)
  const { document, requirements } = await documentOf(run)
  const errors = document.summary.error
  const plain = await signOffOf(
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
  const content = seed ? await signedWithKey(plain, seed.seed) : plain
  await changeRun(id, { signedOff: { by, at: content.at, errors, content } })
}

/** `signature`: what is known of the name, in a sentence. */
export type HeldRun = { differs: string[]; difference: SignOffDifference; signature: string }

/**
 * In what a run differs from what was signed in another, or in itself before the requirements were edited.
 *
 * @param signersFile text of a file that says whose signatures count
 * @throws UserFacingError where the sign-off does not hold against itself, or nobody of them signed it
 */
export async function holdAgainstSignOff(id: string, signed: string, signersFile?: string): Promise<HeldRun> {
  const signers = signersFile === undefined ? null : readSigners(signersFile)
  if (signers && !signers.ok) throw new UserFacingError(`The signers file can’t be used. ${signers.fault}`)
  const content = (await runOf(signed)).signedOff?.content
  if (!content) throw new UserFacingError('The run was signed before sign-offs were of a content. Sign it again.')
  const fault = await faultOfSignOff(content, digestOf)
  if (fault !== null) throw new UserFacingError(`The sign-off can’t be used. ${fault}`)
  const signature = await signatureState(content, signers?.signers ?? null, verifySignature)
  if (signers && signature.kind === 'stranger')
    throw new UserFacingError(`It is not signed by ${content.by} with a key that the signers file has for that name.`)
  const { document, requirements } = await documentOf(await runOf(id))
  // Of another site only the content was signed: what is required there is its own.
  const isSameSite = content.site === document.source.site
  const difference = await differenceFromSignOff(document, isSameSite ? requirements : null, content, digestOf)
  return { differs: signOffDifferences(difference), difference, signature: signatureWords(signature, content.by) }
}
