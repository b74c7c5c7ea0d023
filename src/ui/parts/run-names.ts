import { pathOn } from '@/core/address'
import type { StoredRun } from '@/store/database'
import { runReadAt } from '@/store/runs'
import { dayAndTime, shortAddress } from '../kit/words'

/** What a run is called, and what tells it from others. `when` alone tells it from every other run of the list. */
export type RunName = { title: string; when: string; made: string; readAt: string }

type Named = Pick<StoredRun, 'id' | 'startedAt' | 'finishedAt' | 'lookedAgain' | 'source' | 'launchedAt' | 'name'>

function madeBy({ source, lookedAgain, launchedAt }: Named): string {
  const words: string[] = []
  if (lookedAgain) words.push(`looked again at ${pathOn(lookedAgain.url, source.site)}`)
  else if (source.location !== source.site) words.push(`from ${shortAddress(source.location)}`)
  if (launchedAt) words.push(`live since ${dayAndTime(launchedAt)}`)
  return words.join(', ')
}

/** Names of runs of a list: with seconds where two of one site would be called alike. */
export function runNames(runs: readonly Named[]): ReadonlyMap<string, RunName> {
  const times = new Map<string, number>()
  const keyOf = (run: Named) => `${run.source.site} ${dayAndTime(runReadAt(run))}`
  for (const run of runs) times.set(keyOf(run), (times.get(keyOf(run)) ?? 0) + 1)
  return new Map(
    runs.map((run) => {
      const when = dayAndTime(runReadAt(run), (times.get(keyOf(run)) ?? 0) > 1)
      return [run.id, { title: run.name ?? when, when, made: madeBy(run), readAt: runReadAt(run) }]
    }),
  )
}

/** The name of one of some runs, with all that tells it from the others. */
export function runInWords(run: Named, all: readonly Named[]): string {
  const { title, when, made } = runNames([...all.filter(({ id }) => id !== run.id), run]).get(run.id)!
  return [title, ...(title === when ? [] : [when]), ...(made ? [made] : [])].join(', ')
}
