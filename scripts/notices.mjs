// The licence texts of the packages that a published bundle may hold a part of.
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './setup.mjs'

/** Name, version and licence text of every package that is no tool of development, as one text. */
export function notices() {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'))
  const parts = []
  for (const [path, { version, dev }] of Object.entries(packages)) {
    const at = join(root, path)
    if (dev || !path.startsWith('node_modules/') || !existsSync(at)) continue
    const texts = readdirSync(at).filter((name) => /^(?:licen[cs]e|notice)/i.test(name))
    if (texts.length === 0) continue
    const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length)
    parts.push(
      `${name} ${version ?? ''}\n\n${texts.map((text) => readFileSync(join(at, text), 'utf8').trim()).join('\n\n')}\n`,
    )
  }
  return parts.join(`\n${'-'.repeat(80)}\n\n`)
}
