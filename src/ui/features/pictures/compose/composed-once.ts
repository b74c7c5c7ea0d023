import type { ComposeAsk, Composed } from '@/workers/draw-composed'

/** Bytes of pictures that are kept: more than a section of five hundred pages takes. */
const MOST_BYTES = 200_000_000

/** What a picture is made of, as text: two asks with the same make the same picture. */
const keyOfAsk = ({ template, texts, groundKey, markKey, face, focus }: ComposeAsk): string =>
  JSON.stringify([template, texts, groundKey, markKey, face?.key ?? null, focus])

/** Pictures that were made as files: what is looked at, saved and drafted is composed once. */
export class ComposedOnce {
  private readonly made = new Map<string, Composed>()
  private bytes = 0

  get(ask: ComposeAsk): Composed | undefined {
    return this.made.get(keyOfAsk(ask))
  }

  keep(ask: ComposeAsk, composed: Composed): void {
    const key = keyOfAsk(ask)
    if (this.made.has(key)) return
    this.made.set(key, composed)
    this.bytes += composed.blob.size
    for (const [oldest, { blob }] of this.made) {
      if (this.bytes <= MOST_BYTES) return
      this.made.delete(oldest)
      this.bytes -= blob.size
    }
  }
}
