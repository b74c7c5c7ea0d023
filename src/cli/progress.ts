import type { CrawlEvent } from '@/core/crawl'
import { terminalText } from '@/core/text'

type Terminal = { isTTY?: boolean; columns?: number; write(text: string): boolean }

/** Between two lines, in ms: no one reads more than ten a second, and each costs the terminal. */
const REST_MS = 100

const number = (value: number) => value.toLocaleString('en')

/**
 * One line that is written over and over, on a terminal only.
 *
 * @param nowMs the clock, in ms
 */
export function progressLine(out: Terminal, nowMs: () => number = () => performance.now()) {
  const isLive = out.isTTY === true
  let shownAtMs = Number.NEGATIVE_INFINITY
  const write = (line: string) => out.write(`\r\u001b[K${terminalText(line).slice(0, (out.columns ?? 80) - 1)}`)
  return {
    show({ done, waiting, fetching }: Extract<CrawlEvent, { kind: 'progress' }>): void {
      if (!isLive || nowMs() - shownAtMs < REST_MS) return
      shownAtMs = nowMs()
      write(`${number(done)} pages read, ${number(waiting)} waiting  ${fetching[0] ?? ''}`)
    },
    /** What is done now that is no reading: it stays until the next. */
    stage(words: string): void {
      if (isLive) write(`${words} …`)
    },
    clear(): void {
      if (isLive) out.write('\r\u001b[K')
    },
  }
}
