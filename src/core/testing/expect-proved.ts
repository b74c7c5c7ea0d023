import { expect } from 'vitest'
import { type Cause, findCauses, tryCauses } from '../cause'
import { createCheckContext, runChecks, type Verdict } from '../check'
import type { Finding, Gathering } from '../model'

/** Findings with all that tells them apart, each as often as it stands; lines move, so they are left out. */
function listed(verdict: Pick<Verdict, 'pages' | 'findings'>): string[] {
  const key = (where: string, { rule, image, data }: Finding) =>
    `${where} ${rule} ${image ?? ''} ${data?.['key'] ?? ''}`
  return [
    ...verdict.pages.flatMap(({ url, findings }) => findings.map((finding) => key(url, finding))),
    ...verdict.findings.map((finding) => key(`site ${finding.data?.['section'] ?? ''}`, finding)),
  ].sort()
}

/** A run judged, its causes, and what is left when some of them are carried out. */
export function judged(gathering: Gathering) {
  const context = createCheckContext(gathering)
  const verdict = runChecks(gathering, context)
  const causes = findCauses(context, verdict.pages, verdict.findings)
  const withAll = (chosen: readonly Cause[]) => {
    const ids = new Set(chosen.map(({ id }) => id))
    const after = tryCauses(context, verdict, ids)
    return runChecks(after.gathering, after.context)
  }
  return { verdict, causes, withAll }
}

const sum = (causes: readonly Cause[]) =>
  causes.reduce(
    (all, { clears }) => ({
      error: all.error + clears.error,
      warning: all.warning + clears.warning,
      note: all.note + clears.note,
    }),
    { error: 0, warning: 0, note: 0 },
  )

/** Everything that is promised of the causes of a run. */
export function expectProved(gathering: Gathering): void {
  const { verdict, causes, withAll } = judged(gathering)
  const { error, warning, note } = verdict.summary
  expect(sum(causes), 'every finding belongs to one cause').toEqual({ error, warning, note })
  const after = withAll(causes)
  const before = listed(verdict)
  const left = listed(after)
  const came = left.filter((one) => !before.includes(one))
  expect(came, 'no finding comes').toEqual([])
  const untried = causes.filter(({ edits }) => edits.length === 0)
  const { error: errors, warning: warnings, note: notes } = after.summary
  expect({ error: errors, warning: warnings, note: notes }, 'what is left needs a person').toEqual(sum(untried))
  for (const { needs } of untried) expect(needs).toBeTruthy()
}
