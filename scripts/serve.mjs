// Serves the built app: node scripts/serve.mjs [--port 4300]. On loopback, unless NIMBLE_PARROT_HOST says otherwise.
import { parseArgs } from 'node:util'
import { serve } from '../packages/nimble-parrot-app/serve.mjs'
import { root } from './setup.mjs'

const { values } = parseArgs({ options: { port: { type: 'string', default: '4300' } } })
const host = process.env.NIMBLE_PARROT_HOST ?? '127.0.0.1'
serve({ dir: root, port: Number(values.port), host }).catch((error) => {
  console.error(error.message)
  process.exit(1)
})
