import { pathnameOf } from '../address'
import type { QueuedUrl } from './crawl-options'

type Bucket = { waiting: QueuedUrl[]; next: number; taken: number; isInTurn: boolean }

/** First path segment: pages that share it are mostly made by one template. */
const bucketOf = (url: string) => pathnameOf(url).split('/', 2)[1] ?? ''

/** A line of buckets, the first in first out. */
class Line {
  private readonly buckets: Bucket[] = []
  private next = 0

  add(bucket: Bucket): void {
    this.buckets.push(bucket)
  }

  take(): Bucket | undefined {
    const bucket = this.buckets[this.next]
    if (bucket === undefined) return undefined
    if (++this.next === this.buckets.length) {
      this.buckets.length = 0
      this.next = 0
    }
    return bucket
  }
}

/**
 * Addresses that wait, by section. Within a section in the order found (breadth first); between sections, the one
 * that has had the fewest turns goes first, so that ten thousand products don't hide five other templates.
 */
export class Frontier {
  private readonly buckets = new Map<string, Bucket>()
  /** Sections with something to take, by the turns they have had: a site may have as many sections as pages. */
  private readonly lines: Line[] = []
  private fewestTurns = 0
  private count = 0

  /** @param perSection pages taken of one section at most; null: no limit */
  constructor(private readonly perSection: number | null = null) {}

  get size(): number {
    return this.count
  }

  add(waiting: QueuedUrl): void {
    const key = bucketOf(waiting.url)
    const bucket = this.buckets.get(key) ?? { waiting: [], next: 0, taken: 0, isInTurn: false }
    this.buckets.set(key, bucket)
    bucket.waiting.push(waiting)
    this.count++
    this.lineUp(bucket)
  }

  private lineUp(bucket: Bucket): void {
    const isFull = this.perSection !== null && bucket.taken >= this.perSection
    if (bucket.isInTurn || isFull || bucket.next >= bucket.waiting.length) return
    bucket.isInTurn = true
    this.lines[bucket.taken] ??= new Line()
    this.lines[bucket.taken]!.add(bucket)
    this.fewestTurns = Math.min(this.fewestTurns, bucket.taken)
  }

  private nextBucket(): Bucket | undefined {
    for (; this.fewestTurns < this.lines.length; this.fewestTurns++) {
      const bucket = this.lines[this.fewestTurns]?.take()
      if (bucket) return bucket
    }
    return undefined
  }

  /** The next address; undefined when none waits, or every section has had its share. */
  take(): QueuedUrl | undefined {
    const bucket = this.nextBucket()
    if (!bucket) return undefined
    bucket.isInTurn = false
    bucket.taken++
    this.count--
    const taken = bucket.waiting[bucket.next++]!
    // What was taken is let go of in large pieces: a shift for each would be quadratic.
    if (bucket.next > 1000) {
      bucket.waiting.splice(0, bucket.next)
      bucket.next = 0
    }
    this.lineUp(bucket)
    return taken
  }

  /** Everything that still waits. */
  *[Symbol.iterator](): Generator<QueuedUrl> {
    for (const { waiting, next } of this.buckets.values())
      for (let index = next; index < waiting.length; index++) yield waiting[index]!
  }
}
