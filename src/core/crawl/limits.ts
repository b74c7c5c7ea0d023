/** Every limit of a run in one place. Bytes are counts, times milliseconds; MB and KB are powers of ten. */
export const limits = {
  /** HTML read of one page at most; what follows is left unread. */
  pageBytes: 10_000_000,
  /** A picture read at most, for its hash and its pixels. */
  imageBytes: 12_000_000,
  /** robots.txt read at most (RFC 9309 asks for 500 KiB). */
  robotsBytes: 512 * 1024,
  /** Redirects followed from one address. */
  redirects: 10,
  /** A Crawl-delay is kept up to this. */
  crawlDelayMs: 10_000,
  maxPages: 2000,
  maxDepth: 20,
  concurrency: 8,
  timeoutMs: 20_000,
} as const
