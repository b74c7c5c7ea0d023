import type { PictureCopy } from '../decoder/decoder'

/** A picture as a data: address. */
export const asDataAddress = ({ mediaType, bytes }: PictureCopy): string =>
  `data:${mediaType};base64,${Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('base64')}`
