import { resolve } from 'node:path'

/** `npm run` changes into the package's folder; paths are meant from where the person stands. */
export const fromHere = (path: string) => resolve(process.env.INIT_CWD ?? process.cwd(), path)
