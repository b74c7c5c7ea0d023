import type { CrawlEvent } from '@/core/crawl'
import { terminalText } from '@/core/text'

type Terminal = { isTTY?: boolean; columns?: number; write(text: string): boolean }

/** One line that is written over and over, on a terminal only. */
export function progressLine(out: Terminal) {
  const isLive = out.isTTY === true
  return {
    show({ done, waiting, fetching }: Extract<CrawlEvent, { kind: 'progress' }>): void {
      if (!isLive) return
      const line = `${done} pages read, ${waiting} waiting  ${fetching[0] ?? ''}`
      out.write(`\r\u001b[K${terminalText(line).slice(0, (out.columns ?? 80) - 1)}`)
    },
    clear(): void {
      if (isLive) out.write('\r\u001b[K')
    },
  }
}
