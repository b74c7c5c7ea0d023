/** Reads numbers from bytes; a read beyond the end throws `CutShort`, which the caller of a format turns into a value. */
export class CutShort extends Error {}

export class ByteView {
  private readonly view: DataView

  constructor(readonly bytes: Uint8Array) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  }

  get length(): number {
    return this.bytes.length
  }

  private need(offset: number, count: number): void {
    if (offset < 0 || offset + count > this.bytes.length) throw new CutShort()
  }

  u8(offset: number): number {
    this.need(offset, 1)
    return this.bytes[offset]!
  }

  u16(offset: number, littleEndian = false): number {
    this.need(offset, 2)
    return this.view.getUint16(offset, littleEndian)
  }

  u24(offset: number, littleEndian = false): number {
    return littleEndian
      ? this.u16(offset, true) | (this.u8(offset + 2) << 16)
      : (this.u8(offset) << 16) | this.u16(offset + 1)
  }

  u32(offset: number, littleEndian = false): number {
    this.need(offset, 4)
    return this.view.getUint32(offset, littleEndian)
  }

  i32(offset: number, littleEndian = false): number {
    this.need(offset, 4)
    return this.view.getInt32(offset, littleEndian)
  }

  /** Bytes as Latin-1 text. */
  text(offset: number, length: number): string {
    this.need(offset, length)
    let text = ''
    for (let index = offset; index < offset + length; index++) text += String.fromCharCode(this.bytes[index]!)
    return text
  }

  startsWith(signature: readonly number[], offset = 0): boolean {
    return signature.every((byte, index) => this.bytes[offset + index] === byte)
  }
}
