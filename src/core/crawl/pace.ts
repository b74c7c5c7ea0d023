/** How fast a site is asked: questions start no faster than one a delay. */
export class Pace {
  private lastStartMs = 0

  /**
   * @param delayMs least time between the starts of two questions, in ms; 0: no wait
   * @param now the clock
   */
  constructor(
    private readonly delayMs: number,
    private readonly now: () => Date,
  ) {}

  /** How long a question would have to wait now, in ms. Takes no place. */
  readyInMs(): number {
    return Math.max(0, this.lastStartMs + this.delayMs - this.now().getTime())
  }

  /** How long the next question has to wait, in ms. Each call takes a place in the row. */
  waitMs(): number {
    if (this.delayMs === 0) return 0
    const now = this.now().getTime()
    this.lastStartMs = Math.max(now, this.lastStartMs + this.delayMs)
    return this.lastStartMs - now
  }
}
