import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { vi } from 'vitest'
import { runCommand } from '../program'

export const root = fileURLToPath(new URL('../../..', import.meta.url))

type Script = 'check' | 'compare' | 'refit' | 'cards' | 'compose' | 'list' | 'merge' | 'init' | 'sign'
type Said = { code: number | null; out: string; err: string }

/** Runs a script of the checkout as a person would from another folder: a process of its own, a few seconds each. */
export function spawned(here: string, script: Script, ...args: string[]): Said {
  const result = spawnSync('npm', ['run', '--silent', script, '--prefix', root, '--', ...args], {
    cwd: here,
    encoding: 'utf8',
    env: { ...process.env, INIT_CWD: here },
    maxBuffer: 64_000_000,
  })
  return { code: result.status, out: result.stdout, err: result.stderr.replace(/^npm warn .*\n/gm, '') }
}

/** The same command in this process, with what it writes caught. */
export const commandIn =
  (here: string) =>
  async (script: Script, ...args: string[]): Promise<Said> => {
    const said = { out: '', err: '' }
    type Done = () => void
    const catching = (into: 'out' | 'err') => (chunk: string | Uint8Array, done?: unknown) => {
      said[into] += String(chunk)
      if (typeof done === 'function') (done as Done)()
      return true
    }
    const spies = [
      vi.spyOn(process, 'cwd').mockReturnValue(here),
      vi.spyOn(process.stdout, 'write').mockImplementation(catching('out')),
      vi.spyOn(process.stderr, 'write').mockImplementation(catching('err')),
    ]
    try {
      const code = await runCommand(['node', 'nimble-parrot', script, ...args])
      return { code, ...said }
    } finally {
      for (const spy of spies) spy.mockRestore()
    }
  }
