import { compareStored, type StoredComparison } from './compare-runs'
import { wordsFor } from './user-facing-error'
import { workerScope } from './worker-scope'

/** To the worker that holds runs against each other, by their ids. */
export type CompareAsk = { before: string; after: string }
export type CompareAnswer = { compared: StoredComparison } | { failed: string }

const scope = workerScope<CompareAsk, CompareAnswer>()

scope.addEventListener('message', ({ data }) => {
  void compareStored(data.before, data.after).then(
    (compared) => scope.postMessage({ compared }),
    (error) => scope.postMessage({ failed: wordsFor(error) }),
  )
})
