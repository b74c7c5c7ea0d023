import { limits } from '@/core/address'
import type { RunOptions } from './check'

/** Bounds of a run that is only drawn: those of a check that says nothing else. */
export const plainRun: RunOptions = {
  pictures: 'whole',
  concurrency: limits.concurrency,
  delay: 0,
  timeout: limits.timeoutMs,
  ignoreRobots: false,
  include: [],
  exclude: [],
  follow: false,
  header: [],
}
