import { readFileSync } from 'node:fs'
import { expect } from 'vitest'
import { WrittenRun } from '@/core/document'

/** A run document from a file, held against the schema: a field that is not in it fails as one that is missing does. */
export function writtenRun(file: string): WrittenRun {
  const written: unknown = JSON.parse(readFileSync(file, 'utf8'))
  const read = WrittenRun.parse(written)
  expect(read).toEqual(written)
  return read
}
