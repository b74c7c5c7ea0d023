import { readdirSync, readFileSync } from 'node:fs'
import { join, relative, sep } from 'node:path'

/** Every file of a folder, by its path with `/`. */
export function* filesIn(folder: string): Generator<[string, Uint8Array]> {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile()) continue
    const path = join(entry.parentPath, entry.name)
    yield [relative(folder, path).split(sep).join('/'), new Uint8Array(readFileSync(path))]
  }
}
