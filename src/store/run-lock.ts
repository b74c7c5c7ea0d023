/** Name of the lock that a run's worker holds: while it is held, somebody writes to the run. */
export const runLock = (runId: string) => `nimble-parrot run ${runId}`
