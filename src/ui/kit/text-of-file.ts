import { limits } from '@/core/address'

/**
 * The text of a file that was handed in, as far as one of its kind may go. What reads it refuses what is longer than
 * that, which a little more than the most is enough for.
 */
export const textOfFile = (file: Blob): Promise<string> => file.slice(0, 4 * limits.settingsCharacters + 4).text()
