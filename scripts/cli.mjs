// Runs the command from the checkout: nothing has to be built for it.
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { requirePackages, root } from './setup.mjs'

requirePackages()
// npm changes into the folder of the checkout: paths are meant from where the person stands.
if (process.env.INIT_CWD) process.chdir(process.env.INIT_CWD)
const { register } = await import('tsx/esm/api')
register({ tsconfig: join(root, 'tsconfig.json') })
await import(pathToFileURL(join(root, 'src/cli/main.ts')).href)
