import { type ChildProcess, spawn } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** Time for opening a font and setting all of its letters, in ms. */
const MAX_MS = 15_000
/** Memory of the process that does it, in bytes. */
const MAX_RSS_BYTES = 600_000_000
/** How often its memory is looked at, in ms. */
const LOOK_MS = 25

/** The process's own file: it is started, and never bundled into what starts it. */
function processFile(): string {
  const here = dirname(fileURLToPath(import.meta.url))
  const places = [join(here, 'font-process.mjs'), join(process.cwd(), 'src/io/compose/font-process.mjs')]
  return places.find((path) => existsSync(path)) ?? places[0]!
}

/** Bytes that a process holds, where the system tells; 0 elsewhere. */
function rssOf({ pid }: ChildProcess): number {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * 4096
  } catch {
    return 0
  }
}

/**
 * Tries a font that a file brought, in a process of its own with a time and a memory: whether it can be opened and all of
 * its letters be set and drawn.
 *
 * @returns why it can't be used; null where nothing speaks against it
 */
export function faultOfFont(bytes: Uint8Array, weight: number): Promise<string | null> {
  const child = spawn(process.execPath, ['--max-old-space-size=256', processFile()], {
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  })
  return new Promise((resolve) => {
    const end = (fault: string | null) => {
      clearInterval(look)
      clearTimeout(timer)
      child.removeAllListeners()
      child.on('error', () => undefined)
      child.kill('SIGKILL')
      resolve(fault)
    }
    const look = setInterval(() => {
      if (rssOf(child) > MAX_RSS_BYTES) end(`It takes more than ${MAX_RSS_BYTES / 1e6} MB of memory.`)
    }, LOOK_MS)
    const timer = setTimeout(() => end(`It takes more than ${MAX_MS / 1000} seconds to open.`), MAX_MS)
    child.once('message', (said) => end(said === 'unfit' ? 'Its letters can’t be drawn.' : null))
    child.once('error', () => end('It could not be tried.'))
    child.once('exit', () => end('It breaks what opens it.'))
    child.send({ bytes, weight }, (error) => error && end('It could not be tried.'))
  })
}
