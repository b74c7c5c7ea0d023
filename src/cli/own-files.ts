import { join } from 'node:path'
import { z } from 'zod'
import { limits } from '@/core/address'
import { parseJson } from '@/core/model'
import { readPart } from '@/io/folder'
import { fromHere } from './from-here'

/** A list of what this program wrote into a folder, which lies in it. */
const Written = z.looseObject({ format: z.string(), written: z.array(z.string()) })

/**
 * Files of a folder that this program wrote before: these alone are written over.
 *
 * @param list the file in the folder that says so
 * @param format what the list says that it is
 */
export async function writtenBefore(folder: string, list: string, format: string): Promise<ReadonlySet<string>> {
  const read = await readPart(join(fromHere(folder), list), limits.settingsCharacters).catch(() => null)
  const parsed = read && parseJson(new TextDecoder().decode(read.body), limits.settingsCharacters)
  const found = parsed?.ok ? Written.safeParse(parsed.value) : null
  return new Set(found?.success && found.data.format === format ? found.data.written : [])
}
