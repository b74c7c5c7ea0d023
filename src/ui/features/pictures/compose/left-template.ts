import { z } from 'zod'
import { PictureTemplate } from '@/core/compose'
import { keepTemplate } from '@/store/templates'

const KEY = 'nimble-parrot template'

const Left = z.object({ site: z.string(), section: z.string(), template: PictureTemplate })
export type Left = z.infer<typeof Left>

function storage(): Storage | null {
  try {
    return localStorage
  } catch {
    // Closed to us: then what is changed in the last moment before a tab closes may be lost.
    return null
  }
}

/**
 * Keeps a template. The database takes a moment, in which the tab may be closed: until it has it, the template also lies
 * where it is written at once.
 */
export async function keepChanged(left: Left): Promise<void> {
  const text = JSON.stringify(left)
  try {
    storage()?.setItem(KEY, text)
  } catch {
    // No room there: the database has it in a moment.
  }
  await keepTemplate(left.site, left.section, left.template)
  if (storage()?.getItem(KEY) === text) storage()?.removeItem(KEY)
}

/** Takes over what a closed tab left behind; what is no template is thrown away. */
export async function takeLeft(): Promise<void> {
  const text = storage()?.getItem(KEY)
  if (!text) return
  let value: unknown = null
  try {
    value = JSON.parse(text)
  } catch {
    // Something else wrote it.
  }
  const left = Left.safeParse(value)
  if (left.success) await keepTemplate(left.data.site, left.data.section, left.data.template)
  storage()?.removeItem(KEY)
}

/** Forgets what was left: its section begins again. */
export const forgetLeft = (): void => storage()?.removeItem(KEY)
