/** What a worker says and hears. TypeScript knows `self` as a window, since one set of types holds for all of the app. */
type WorkerScope<Heard, Said> = {
  postMessage(message: Said): void
  addEventListener(type: 'message', listener: (event: MessageEvent<Heard>) => void): void
}

/** The worker that this code runs in, by the messages of its protocol. */
export const workerScope = <Heard, Said>() => self as unknown as WorkerScope<Heard, Said>
