import { resolve } from 'node:path'

/** Paths are meant from where the person stands, or the program that uses the interface. */
export const fromHere = (path: string) => resolve(path)
