#!/usr/bin/env node
// Serves the app on this machine: nimble-parrot-app [SOURCE] [--port N]. It is built already, and asks no network.
import { existsSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'

const here = dirname(fileURLToPath(import.meta.url))

const HELP = `Usage: nimble-parrot-app [SOURCE] [--port N]

Serves Nimble Parrot on this machine and prints the address. Ctrl C ends it.

SOURCE      what to gather: an http(s) address, a folder of built HTML, or a .zip of one
--port N    the port (PORT, else 4300)
--version   the version
--help      this
`

/** Ends with one line that says what can't be done, and what to try. */
function refuse(message) {
  console.error(message)
  process.exit(2)
}

function argumentsOf(args) {
  const options = {
    port: { type: 'string', default: process.env.PORT || '4300' },
    help: { type: 'boolean', short: 'h' },
    version: { type: 'boolean', short: 'V' },
  }
  try {
    return parseArgs({ args, options, allowPositionals: true })
  } catch (error) {
    return refuse(`${error.message.split('. ')[0]}. nimble-parrot-app --help says what there is.`)
  }
}

/** An address as it is; a folder or a zip by its whole path. */
function readable(source) {
  if (/^https?:\/\//i.test(source)) {
    if (!URL.canParse(source)) refuse(`“${source}” is no address. Try https://example.org`)
    return source
  }
  const path = resolve(process.env.INIT_CWD ?? process.cwd(), source)
  const found = statSync(path, { throwIfNoEntry: false })
  if (!found) refuse(`There is no ${path}. Give a folder of built HTML, a .zip of one, or an http(s) address.`)
  if (!found.isDirectory() && !/\.zip$/i.test(path))
    refuse(`${path} is neither a folder nor a zip. Lists and sitemaps are given in Gather.`)
  return path
}

function portOf(text) {
  const port = Number(text)
  if (!Number.isInteger(port) || port < 0 || port > 65_535) refuse(`--port ${text}: a port is a number up to 65535.`)
  return port
}

async function main() {
  const { values, positionals } = argumentsOf(process.argv.slice(2))
  if (values.help) return void process.stdout.write(HELP)
  if (values.version) return void console.log(JSON.parse(readFileSync(join(here, 'package.json'), 'utf8')).version)
  if (positionals.length > 1) refuse(`One SOURCE at a time, not ${positionals.length}.`)
  if (!existsSync(join(here, '.next')))
    refuse('This is where the app is packed from. In a checkout, npm run demo opens it.')
  const port = portOf(values.port)
  if (positionals[0] !== undefined) process.env.NIMBLE_PARROT_SOURCE = readable(positionals[0])
  process.env.NIMBLE_PARROT_DECODER = join(here, 'decoder-process.mjs')
  process.env.NEXT_TELEMETRY_DISABLED = '1'

  const { demoFolder, editedFolder, listen, serveFolder } = await import('./demo/server.mjs')
  // The next ports where they are free: a run of the demo can then be looked at again after a restart.
  const near = (server, wanted) => listen(server, wanted).catch(() => listen(server, 0))
  process.env.NIMBLE_PARROT_DEMO = await near(serveFolder(demoFolder), port && port + 1)
  process.env.NIMBLE_PARROT_DEMO_EDITED = await near(
    serveFolder(demoFolder, { overlay: editedFolder }),
    port && port + 2,
  )
  const { serve } = await import('./serve.mjs')
  const host = process.env.NIMBLE_PARROT_HOST ?? '127.0.0.1'
  const server = await serve({ dir: here, port, host }).catch((error) =>
    refuse(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is in use. Try --port ${port + 10}.`
        : `It can’t start: ${error.message}`,
    ),
  )
  console.log(`Nimble Parrot is at http://${host}:${server.address().port}/\nCtrl C ends it.`)
}

for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(0))
await main()
