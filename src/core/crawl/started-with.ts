import { z } from 'zod'

/** What the app was started with, as the page hears of it: an address, or a build on the server's own disk. */
export type StartedWith = { kind: 'address'; address: string } | { kind: 'folder' | 'zip'; name: string }

/** The files of a build that the server was started with. */
export const ServedBuild = z.object({ paths: z.array(z.string()), passedOver: z.array(z.string()) })

/** Where the files are listed, and each one is served. */
export const SERVED_BUILD = '/api/source'

/** Says how large a file is of which only a part was asked for, in bytes. */
export const SIZE_HEADER = 'x-nimble-parrot-size'

/** @param maxBytes how much of the file is wanted */
export const servedFile = (path: string, maxBytes: number) =>
  `${SERVED_BUILD}?${new URLSearchParams({ path, max: String(maxBytes) })}`
