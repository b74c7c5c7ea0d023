// What the core may use beyond the language itself: the few objects that browsers, workers and Node all have.
// Anything else (document, fetch, process, timers) is handed in by the caller.

interface URLSearchParams {
  append(name: string, value: string): void
  delete(name: string): void
  get(name: string): string | null
  has(name: string): boolean
  keys(): IterableIterator<string>
  [Symbol.iterator](): IterableIterator<[string, string]>
}
interface URL {
  hash: string
  host: string
  hostname: string
  href: string
  readonly origin: string
  password: string
  pathname: string
  port: string
  protocol: string
  search: string
  readonly searchParams: URLSearchParams
  username: string
}
declare var URL: { new (url: string, base?: string): URL }

interface TextDecoder {
  readonly encoding: string
  decode(input?: Uint8Array, options?: { stream?: boolean }): string
}
declare var TextDecoder: { new (label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean }): TextDecoder }
interface TextEncoder {
  encode(input?: string): Uint8Array
}
declare var TextEncoder: { new (): TextEncoder }

interface AbortSignal {
  readonly aborted: boolean
  addEventListener(type: 'abort', listener: () => void): void
  removeEventListener(type: 'abort', listener: () => void): void
}
