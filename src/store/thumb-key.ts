import type { ServedImage } from '@/core/crawl'

/** A picture of an archive is kept for its site alone: nobody here has seen that its small copy is of its hash. */
type Kept = Pick<ServedImage, 'hash' | 'url'> & { keptFor?: string | undefined }

/** A picture by its content, whoever keeps it. */
export const contentKey = ({ hash, url }: Kept): string => hash ?? url

/** Key under which a picture's small copy is kept: its content, so that runs share it; those of one archive among themselves. */
export const thumbKey = (image: Kept): string =>
  image.keptFor === undefined ? contentKey(image) : archivedKey(image.keptFor, contentKey(image))

/** Key of what an archive of a site holds. */
export const archivedKey = (site: string, key: string): string => `${site} ${key}`
