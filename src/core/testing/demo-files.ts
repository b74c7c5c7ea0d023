import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import type { MemoryBuild } from './build-run'

export const DEMO_SITE = 'https://brasswick.example/'

/** The files of the demo site, which has every kind of trouble. */
export function demoFiles(): MemoryBuild {
  const site = join(process.cwd(), 'demo', 'site')
  const files = readdirSync(site, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile())
  return Object.fromEntries(
    files.map(({ parentPath, name }) => [relative(site, join(parentPath, name)), readFileSync(join(parentPath, name))]),
  )
}
