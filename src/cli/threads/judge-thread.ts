import { workerData } from 'node:worker_threads'
import { createPartJudge, type PagesToJudge, type PartOfRun, type SaidAlone } from '@/core/check'

/** What a thread of the pool is started with. */
export type ThreadData = { part: PartOfRun }

// The pool hands over its own things first, and ours after them.
const { part } = (workerData as [unknown, ThreadData])[1]
const judge = createPartJudge(part)

/** Judges some pages of the run that this thread was started for. */
export default (pages: PagesToJudge): SaidAlone[] => judge(pages)
