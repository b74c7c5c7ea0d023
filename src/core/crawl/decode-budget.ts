import { limits } from '../address'

/** What may be decoded of the pictures of one page, and of one run: pixels and bytes, counted as their headers say. */
export class DecodeBudget {
  private readonly ofPage = new Map<string, { pixels: number; bytes: number }>()
  private pixels = 0
  private bytes = 0
  private leftOut = 0

  /** Takes a picture's share of it. @returns false where there is no room for it */
  take(page: string, pixels: number, bytes: number): boolean {
    const own = this.ofPage.get(page) ?? { pixels: 0, bytes: 0 }
    const isRoom =
      own.pixels + pixels <= limits.decodedPixelsOfPage &&
      own.bytes + bytes <= limits.decodedBytesOfPage &&
      this.pixels + pixels <= limits.decodedPixels &&
      this.bytes + bytes <= limits.decodedBytes
    if (!isRoom) {
      this.leftOut++
      return false
    }
    this.ofPage.set(page, { pixels: own.pixels + pixels, bytes: own.bytes + bytes })
    this.pixels += pixels
    this.bytes += bytes
    return true
  }

  /** What is said of pictures that there was no room for; null where there are none. */
  words(): string | null {
    if (this.leftOut === 0) return null
    const what = this.leftOut === 1 ? '1 picture was' : `${this.leftOut} pictures were`
    return `${what} not decoded, so that it is not known whether they are transparent or look like others: a page’s pictures may have ${limits.decodedPixelsOfPage / 1e6} million pixels in all, and a run’s ${limits.decodedPixels / 1e9} billion.`
  }
}
