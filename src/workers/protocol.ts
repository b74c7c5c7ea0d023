import type { CrawlRequest } from '@/core/crawl/wire'
import type { RunNote } from '@/core/model'

/** To the worker that gathers. */
export type GatherCommand = { kind: 'start'; runId: string; request: CrawlRequest } | { kind: 'stop' }

/** A page that has trouble, told as it comes. */
export type Trouble = { url: string; message: string }

/** From the worker that gathers. */
export type GatherReport =
  | { kind: 'started'; site: string; startedAt: string }
  | { kind: 'progress'; done: number; waiting: number; images: number; fetching: string[] }
  | { kind: 'trouble'; trouble: Trouble }
  | { kind: 'note'; note: RunNote }
  | { kind: 'finished'; state: 'done' | 'stopped' }
  /** `kept` pages stay in the run; 0 when there is no run. */
  | { kind: 'failed'; message: string; kept: number }
