import { extname } from 'node:path'
import { limits } from '@/core/address'
import { enlargedBy, type Fill, type Focus, type RefitType, type Shape } from '@/core/image'
import { printableJson } from '@/core/text'
import { readPart } from '@/io/folder'
import { BadPicture, refit as refitBytes } from '@/io/refit'
import { CannotRun } from './cannot-run'
import { fromHere } from './from-here'
import { writeOut, writeStandardOut } from './write-out'

export type RefitOptions = { shape: Shape; focus: Focus; fill: Fill; budget?: number; type?: RefitType; out: string }

const BY_EXTENSION: Record<string, RefitType> = { '.jpg': 'jpeg', '.jpeg': 'jpeg', '.png': 'png', '.webp': 'webp' }

const reason = (error: unknown) => (error instanceof Error ? error.message : String(error))

/** Writes the refitted picture and prints what it is. @returns 0, or 1 when the budget can't be met */
export async function refit(image: string, options: RefitOptions): Promise<number> {
  const type = options.type ?? BY_EXTENSION[extname(options.out).toLowerCase()]
  if (!type) throw new CannotRun(`${options.out} says no format by its name. Add --type jpeg, png or webp.`)
  const { body: bytes } = await readPart(fromHere(image), limits.zipFileBytes).catch((error: unknown) => {
    throw new CannotRun(`The picture ${image} can’t be read: ${reason(error)}`)
  })
  const { shape, focus, fill, budget = null } = options
  const made = await refitBytes(bytes, { shape, focus, fill, budget, type }).catch((error) => {
    if (error instanceof BadPicture) throw new CannotRun(`${image} can’t be decoded: ${error.message}`)
    throw error
  })
  await writeOut(fromHere(options.out), made.bytes)
  const enlarged = enlargedBy(made.plan)
  const said = {
    out: options.out,
    width: shape.width,
    height: shape.height,
    bytes: made.bytes.length,
    format: type,
    quality: made.quality,
    crop: made.plan.crop,
    enlarged,
  }
  await writeStandardOut(`${printableJson(said, 2)}\n`)
  if (made.fits) return 0
  process.stderr.write(
    `nimble-parrot: the budget of ${budget} bytes can’t be met: the best try has ${made.bytes.length}, and was written. Try a smaller shape, or --type webp.\n`,
  )
  return 1
}
