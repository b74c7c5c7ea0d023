import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'

/** Puts files into a zip one after the other: only what is packed already is held. */
export class ZipWriter {
  private readonly parts: Uint8Array<ArrayBuffer>[] = []
  private readonly zip: Zip
  private readonly text = new TextEncoder()

  constructor() {
    this.zip = new Zip((error, part) => {
      if (error) throw error
      this.parts.push(part as Uint8Array<ArrayBuffer>)
    })
  }

  /** Text is packed; bytes are pictures and fonts, which are packed already. */
  add(name: string, content: string | Uint8Array): void {
    const isText = typeof content === 'string'
    const file = isText ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name)
    this.zip.add(file)
    file.push(isText ? this.text.encode(content) : content, true)
  }

  end(): Blob {
    this.zip.end()
    return new Blob(this.parts, { type: 'application/zip' })
  }
}
