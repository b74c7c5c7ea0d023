import { z } from 'zod'
import { FailureCode, Validators } from './fetch'
import { HttpAddress } from './position'

export const ImageFormat = z.enum(['jpeg', 'png', 'gif', 'webp', 'avif', 'svg', 'bmp', 'ico', 'tiff'])
export type ImageFormat = z.infer<typeof ImageFormat>

const ImageErrorCode = z.enum([...FailureCode.options, 'status', 'not-image', 'damaged', 'empty'])

/** What a picture's numbers stand for. */
export const ImageColors = z.enum(['grey', 'rgb', 'cmyk'])
export type ImageColors = z.infer<typeof ImageColors>

/** One picture as gathered. Width and height are pixels after EXIF orientation; null where not known. */
export const GatheredImage = z.object({
  url: HttpAddress,
  status: z.number().int().nullable(),
  format: ImageFormat.nullable(),
  width: z.number().int().nullable(),
  height: z.number().int().nullable(),
  bytes: z.number().int().nullable(),
  alpha: z.boolean().nullable(),
  animated: z.boolean(),
  hash: z.string().nullable(),
  contentType: z.string().nullable(),
  error: z.string().nullable(),
  errorCode: ImageErrorCode.nullable(),
  /** True while only `<link rel=icon>` names it: such pictures feed no card's picture. */
  iconOnly: z.boolean(),
  /** Absent where the format's header doesn't say. */
  colors: ImageColors.optional(),
  /** It lies outside of the site's path, and the build has it at this address within. */
  foundAt: z.string().optional(),
  /** What it looks like in small, as text (`likeness.ts`); absent where it was not decoded. */
  look: z.string().nullable().optional(),
  /** Absent where the server said none. */
  validators: Validators.optional(),
})
export type GatheredImage = z.infer<typeof GatheredImage>
