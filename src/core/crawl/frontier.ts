/** An address that waits to be asked for. `depth` counts links from the start. */
export type Waiting = { url: string; depth: number }

type Bucket = { waiting: Waiting[]; next: number; taken: number }

/** First path segment: pages that share it are mostly made by one template. */
const bucketOf = (url: string) => new URL(url).pathname.split('/')[1] ?? ''

/**
 * Addresses that wait, by section. Within a section in the order found (breadth first); between sections, the one
 * that has had the fewest turns goes first, so that ten thousand products don't hide five other templates.
 */
export class Frontier {
  private readonly buckets = new Map<string, Bucket>()
  private count = 0

  /** @param perSection pages taken of one section at most; null: no limit */
  constructor(private readonly perSection: number | null = null) {}

  get size(): number {
    return this.count
  }

  add(waiting: Waiting): void {
    const key = bucketOf(waiting.url)
    const bucket = this.buckets.get(key) ?? { waiting: [], next: 0, taken: 0 }
    this.buckets.set(key, bucket)
    bucket.waiting.push(waiting)
    this.count++
  }

  /** The next address; undefined when none waits, or every section has had its share. */
  take(): Waiting | undefined {
    let best: Bucket | undefined
    for (const bucket of this.buckets.values()) {
      if (bucket.next >= bucket.waiting.length || !this.mayTake(bucket)) continue
      if (!best || bucket.taken < best.taken) best = bucket
    }
    if (!best) return undefined
    best.taken++
    this.count--
    const taken = best.waiting[best.next++]!
    // What was taken is let go of in large pieces: a shift for each would be quadratic.
    if (best.next > 1000) {
      best.waiting.splice(0, best.next)
      best.next = 0
    }
    return taken
  }

  private mayTake(bucket: Bucket): boolean {
    return this.perSection === null || bucket.taken < this.perSection
  }

  /** Everything that still waits. */
  *[Symbol.iterator](): Generator<Waiting> {
    for (const { waiting, next } of this.buckets.values())
      for (let index = next; index < waiting.length; index++) yield waiting[index]!
  }
}
