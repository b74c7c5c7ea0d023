import { z } from 'zod'
import { parseUrl } from '../address'

/** An absolute http or https address: what takes it apart need not ask again whether it is one. */
export const HttpAddress = z
  .string()
  .refine((text) => /^https?:/i.test(text) && parseUrl(text) !== null, 'It is no http or https address.')

/** Where a tag starts: lines and columns count from 1, columns in UTF-16 code units, at the `<`. */
export const Position = z.object({ line: z.number().int(), column: z.number().int() })
export type Position = z.infer<typeof Position>

/** A position that also knows the byte after the element's last, as served: byte budgets go by it. */
export const TagPosition = Position.extend({ endByte: z.number().int() })
export type TagPosition = z.infer<typeof TagPosition>
