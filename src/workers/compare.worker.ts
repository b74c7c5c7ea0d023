import { compareStored, type StoredComparison } from './compare-runs'
import { wordsFor } from './said-failure'

/** To the worker that holds runs against each other, by their ids. */
export type CompareAsk = { before: string; after: string }
export type CompareAnswer = { compared: StoredComparison } | { failed: string }

const scope = self as unknown as {
  postMessage(message: CompareAnswer): void
  addEventListener(type: 'message', listener: (event: MessageEvent<CompareAsk>) => void): void
}

scope.addEventListener('message', ({ data }) => {
  void compareStored(data.before, data.after).then(
    (compared) => scope.postMessage({ compared }),
    (error) => scope.postMessage({ failed: wordsFor(error) }),
  )
})
