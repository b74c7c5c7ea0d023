/** Longest side at which pixels are looked at: a hole smaller than that is not seen by anyone either. */
const LOOK_PX = 512

/** Does some pixel let through what is behind? null when the picture can't be decoded here. */
export async function hasTransparentPixel(bytes: Uint8Array): Promise<boolean | null> {
  try {
    const whole = await createImageBitmap(new Blob([bytes as Uint8Array<ArrayBuffer>]))
    const scale = Math.min(1, LOOK_PX / Math.max(whole.width, whole.height))
    const [width, height] = [
      Math.max(1, Math.round(whole.width * scale)),
      Math.max(1, Math.round(whole.height * scale)),
    ]
    const pen = new OffscreenCanvas(width, height).getContext('2d')!
    pen.drawImage(whole, 0, 0, width, height)
    whole.close()
    const { data } = pen.getImageData(0, 0, width, height)
    for (let index = 3; index < data.length; index += 4) if (data[index]! < 250) return true
    return false
  } catch {
    return null
  }
}
