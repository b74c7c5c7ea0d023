import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import type { FacePart } from '@/core/sheet'

/** A part of the face with its WOFF2 file. */
export type FaceFile = FacePart & { file: string }

const WEIGHTS = [400, 500, 600, 700] as const

/** Where the face's files lie: beside the packed command, else in the package that they are from. */
function faceFolder(): string {
  const here = dirname(fileURLToPath(import.meta.url))
  const places = [join(here, 'faces'), join(here, '../../../node_modules/@fontsource/arimo')]
  const found = places.find((place) => existsSync(join(place, 'unicode.json')))
  if (found === undefined) throw new Error(`The face that cards are set in is not there (looked at ${places[0]}).`)
  return found
}

let known: FaceFile[] | null = null

/** Every part of the face that cards are set in. */
export function faceFiles(): FaceFile[] {
  if (known) return known
  const folder = faceFolder()
  const ranges = z.record(z.string(), z.string()).parse(JSON.parse(readFileSync(join(folder, 'unicode.json'), 'utf8')))
  known = Object.entries(ranges).flatMap(([subset, range]) =>
    WEIGHTS.map((weight) => ({
      subset,
      weight,
      ranges: range,
      file: join(folder, 'files', `arimo-${subset}-${weight}-normal.woff2`),
    })),
  )
  return known
}
