import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test, vi } from 'vitest'
import { bundledCommand } from './testing/bundle-once'
import { commandIn, root } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'watch-'))
afterAll(() => rmSync(here, { recursive: true, force: true }))
const build = join(here, 'dist')

/** Waits for what a process says. */
async function until(said: () => string, words: string | RegExp) {
  await vi.waitFor(() => expect(said()).toMatch(words), { timeout: 20_000, interval: 50 })
}

test('stays, and prints what an edit mended and what another broke; files are written again', async () => {
  cpSync(join(root, 'demo/site'), build, { recursive: true })
  const args = ['check', build, '--site', 'https://brasswick.example/', '--watch', '--out', join(here, 'run.txt')]
  const command = bundledCommand(root)
  // Itself and no npm around it: what interrupts it has to reach it.
  const child = spawn(process.execPath, [command, ...args, '--format', `jsonl=${join(here, 'run.jsonl')}`])
  let out = ''
  let err = ''
  child.stdout.on('data', (text) => {
    out += text
  })
  child.stderr.on('data', (text) => {
    err += text
  })
  try {
    await until(() => err, /Watching .*dist\. Ctrl C ends it\./)
    const file = join(build, 'guides/rewire-a-lamp.html')
    const html = readFileSync(file, 'utf8')
    writeFileSync(
      file,
      html.replace(
        'property="og:description" content=""',
        'property="og:description" content="How to make a table lamp safe again in one evening."',
      ),
    )
    await until(() => out, /1 page changed/)
    expect(out).toMatch(
      /\d findings? went\n[\s\S]*description-missing https:\/\/brasswick\.example\/guides\/rewire-a-lamp/,
    )
    out = ''
    writeFileSync(join(build, 'guides/rewire-a-lamp.html'), html)
    await until(() => out, /\d findings? came/)
    expect(readFileSync(join(here, 'run.jsonl'), 'utf8')).toContain('nimble-parrot-run')
  } finally {
    child.kill('SIGINT')
  }
  const code = await new Promise((resolve) => child.on('exit', resolve))
  expect(code).toBe(1)
}, 60_000)

test('what it writes into the build itself is no change of the build', async () => {
  cpSync(join(root, 'demo/site'), join(here, 'own'), { recursive: true })
  const args = ['check', join(here, 'own'), '--watch', '--format', `json=${join(here, 'own/run.json')}`]
  const child = spawn(process.execPath, [bundledCommand(root), ...args])
  let err = ''
  child.stderr.on('data', (text) => {
    err += text
  })
  child.stdout.resume()
  try {
    await until(() => err, /Watching/)
    await new Promise((resolve) => setTimeout(resolve, 4000))
    expect(err.match(/Watching/g)).toHaveLength(1)
  } finally {
    child.kill('SIGINT')
  }
  await new Promise((resolve) => child.on('exit', resolve))
}, 60_000)

test('what is no file can’t be watched, and says so in one line', async () => {
  const { code, out, err } = await commandIn(here)('check', 'https://brasswick.example/', '--watch')
  expect([code, out]).toEqual([2, ''])
  expect(err).toMatch(/--watch looks at files/)
})
