import { z } from 'zod'
import { limits } from '../address'
import { parseJson, schemaFaults } from '../model'

/**
 * Somebody's yes to a content: what every card shows, what was waived, what the site must have. It says so much of it that
 * another run can be held against it: a hash of each page's cards by the page's path.
 */
export const SignOffFile = z.object({
  format: z.literal('nimble-parrot-sign-off'),
  version: z.literal(1),
  by: z.string().min(1),
  at: z.string(),
  /** Production base address: pages go by what follows it. */
  site: z.string(),
  /** `sha256:` and hex of the whole content below. */
  content: z.string(),
  /** Places whose cards were signed. */
  surfaces: z.array(z.string()),
  /** Errors that were left, and why it was signed in spite of them. */
  errors: z.number().int(),
  reason: z.string().optional(),
  /** What was not looked at, in words. */
  notLookedAt: z.array(z.string()),
  /** Path → hash of what its cards show. */
  pages: z.record(z.string(), z.string()),
  /** What was taken on, in words: rule, place, name, last day and reason. */
  waivers: z.array(z.string()),
  /** Hash of what the site must have, waivers aside; null where nothing was required. */
  requirements: z.string().nullable(),
  /** Ed25519 over all of the above: the public key as a line of SSH, and the signature as base64. Absent: the name is a claim. */
  signature: z.object({ key: z.string().max(1000), value: z.string().max(1000) }).optional(),
})
export type SignOffFile = z.infer<typeof SignOffFile>

const SignedArchive = z.object({
  format: z.literal('nimble-parrot-project'),
  runs: z.array(z.object({ signedOff: z.object({ content: SignOffFile.optional() }).optional() })),
})

/** The last sign-off of a content that a project archive holds. @param manifest text of its list */
export function signOffOfArchive(manifest: string): { ok: true; signOff: SignOffFile } | { ok: false; fault: string } {
  const parsed = parseJson(manifest, limits.documentCharacters)
  if (!parsed.ok) return { ok: false, fault: parsed.faults[0]!.message }
  const read = SignedArchive.safeParse(parsed.value)
  if (!read.success) return { ok: false, fault: 'It is no project archive.' }
  const signed = read.data.runs.flatMap(({ signedOff }) => signedOff?.content ?? [])
  const last = signed.sort((a, b) => Date.parse(b.at) - Date.parse(a.at))[0]
  return last
    ? { ok: true, signOff: last }
    : { ok: false, fault: 'It is a project archive in which no run was signed.' }
}

/** Reads a sign-off, all of it. A fault is one sentence. */
export function readSignOff(text: string): { ok: true; signOff: SignOffFile } | { ok: false; fault: string } {
  const parsed = parseJson(text, limits.documentCharacters)
  if (!parsed.ok) return { ok: false, fault: parsed.faults[0]!.message }
  const read = SignOffFile.safeParse(parsed.value)
  if (read.success) return { ok: true, signOff: read.data }
  const [fault] = schemaFaults(SignOffFile, parsed.value)
  return { ok: false, fault: fault ? `${fault.path}: ${fault.message}` : 'It is no sign-off.' }
}
