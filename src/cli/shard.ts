import type { Shard } from '@/core/crawl'

/** Variables by which engines tell a job which of how many it is, and from what number they count. */
const ENGINES: readonly { index: string; total: string; from: 0 | 1 }[] = [
  { index: 'CI_NODE_INDEX', total: 'CI_NODE_TOTAL', from: 1 },
  { index: 'CIRCLE_NODE_INDEX', total: 'CIRCLE_NODE_TOTAL', from: 0 },
  { index: 'BUILDKITE_PARALLEL_JOB', total: 'BUILDKITE_PARALLEL_JOB_COUNT', from: 0 },
  { index: 'AWS_BATCH_JOB_ARRAY_INDEX', total: 'AWS_BATCH_JOB_ARRAY_SIZE', from: 0 },
  // An indexed job is told its index; how many there are is passed on by the author of the job.
  { index: 'JOB_COMPLETION_INDEX', total: 'JOB_COMPLETIONS', from: 0 },
]

const numberIn = (text: string | undefined) => (text !== undefined && /^\d{1,7}$/.test(text) ? Number(text) : null)

type Environment = Readonly<Record<string, string | undefined>>

/** A job array: ids begin where it was told to, in steps. */
function ofJobArray(env: Environment): Shard | null {
  const arrays: [id: string, first: string, last: string, step: string][] = [
    ['SLURM_ARRAY_TASK_ID', 'SLURM_ARRAY_TASK_MIN', 'SLURM_ARRAY_TASK_MAX', 'SLURM_ARRAY_TASK_STEP'],
    ['SGE_TASK_ID', 'SGE_TASK_FIRST', 'SGE_TASK_LAST', 'SGE_TASK_STEPSIZE'],
  ]
  for (const names of arrays) {
    const [id, first, last, step] = names.map((name) => numberIn(env[name]))
    if (id === null || id === undefined || first == null || last == null) continue
    const by = step || 1
    return { index: (id - first) / by + 1, of: Math.floor((last - first) / by) + 1 }
  }
  return null
}

/** Which part this job is to read, as the engine that runs it says; null where none does. */
function shardOfEnvironment(env: Environment): Shard | null {
  for (const { index, total, from } of ENGINES) {
    const [at, of] = [numberIn(env[index]), numberIn(env[total])]
    if (at !== null && of !== null) return { index: at - from + 1, of }
  }
  return ofJobArray(env)
}

/** Names of the variables that are looked for, in words. */
const SHARD_VARIABLES = [...ENGINES.map(({ index }) => index), 'SLURM_ARRAY_TASK_ID', 'SGE_TASK_ID'].join(', ')

const isOne = ({ index, of }: Shard) =>
  Number.isInteger(index) && Number.isInteger(of) && of >= 1 && of <= 100_000 && index >= 1 && index <= of

/**
 * `2/5`, or `auto`.
 * @returns a text that says why it is none, as a fault
 */
export function shardFrom(text: string, env: Environment): Shard | string {
  if (text === 'auto') {
    const found = shardOfEnvironment(env)
    if (!found) return `auto finds none of ${SHARD_VARIABLES}. Write --shard 2/5.`
    return isOne(found) ? found : `auto finds part ${found.index} of ${found.of}, which is none. Write --shard 2/5.`
  }
  const [, index, of] = /^(\d{1,6})\/(\d{1,6})$/.exec(text) ?? []
  const shard = { index: Number(index), of: Number(of) }
  return isOne(shard) ? shard : 'It is written I/N, as 2/5: the second of five parts. auto takes it from the engine.'
}
