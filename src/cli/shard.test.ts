import { expect, test } from 'vitest'
import { shardFrom } from './shard'

test.each([
  ['1/1', { index: 1, of: 1 }],
  ['5/16', { index: 5, of: 16 }],
])('%s is a part', (text, shard) => {
  expect(shardFrom(text, {})).toEqual(shard)
})

test.each(['0/4', '5/4', '1', '1/0', '-1/4', 'one/two', '1/4/2', '1.5/4', ''])('%s is none', (text) => {
  expect(shardFrom(text, {})).toMatch(/It is written I\/N/)
})

test.each([
  [
    { CI_NODE_INDEX: '2', CI_NODE_TOTAL: '3' },
    { index: 2, of: 3 },
  ],
  [
    { CIRCLE_NODE_INDEX: '0', CIRCLE_NODE_TOTAL: '3' },
    { index: 1, of: 3 },
  ],
  [
    { BUILDKITE_PARALLEL_JOB: '2', BUILDKITE_PARALLEL_JOB_COUNT: '3' },
    { index: 3, of: 3 },
  ],
  [
    { JOB_COMPLETION_INDEX: '0', JOB_COMPLETIONS: '8' },
    { index: 1, of: 8 },
  ],
  [
    { SLURM_ARRAY_TASK_ID: '0', SLURM_ARRAY_TASK_MIN: '0', SLURM_ARRAY_TASK_MAX: '9' },
    { index: 1, of: 10 },
  ],
  [
    { SLURM_ARRAY_TASK_ID: '7', SLURM_ARRAY_TASK_MIN: '1', SLURM_ARRAY_TASK_MAX: '10', SLURM_ARRAY_TASK_STEP: '3' },
    { index: 3, of: 4 },
  ],
  [
    { SGE_TASK_ID: '4', SGE_TASK_FIRST: '1', SGE_TASK_LAST: '4', SGE_TASK_STEPSIZE: '1' },
    { index: 4, of: 4 },
  ],
])('auto takes it from the engine: %o', (env, shard) => {
  expect(shardFrom('auto', env)).toEqual(shard)
})

test('auto without an engine, and with one that makes no sense, says what was looked for', () => {
  expect(shardFrom('auto', {})).toMatch(/auto finds none of CI_NODE_INDEX/)
  expect(shardFrom('auto', { CI_NODE_INDEX: '9', CI_NODE_TOTAL: '3' })).toMatch(/part 9 of 3, which is none/)
  expect(shardFrom('auto', { SGE_TASK_ID: 'undefined', SGE_TASK_FIRST: '1', SGE_TASK_LAST: '1' })).toMatch(/finds none/)
})
