import { z } from 'zod'
import { type FileFault, parseJson, schemaFaults } from '../model'
import { Surface } from './profile'

export type ReadSurfaces = { ok: true; surfaces: Surface[] } | { ok: false; faults: FileFault[] }

/** Reads one surface, or a list of them, in the form of our profiles. Every fault is named with its path. */
export function readSurfaces(text: string): ReadSurfaces {
  const read = parseJson(text)
  if (!read.ok) return read
  const schema = Array.isArray(read.value) ? z.array(Surface).min(1) : Surface
  const faults = schemaFaults(schema, read.value)
  if (faults.length > 0) return { ok: false, faults }
  const surfaces = [schema.parse(read.value)].flat()
  const twice = surfaces.find(({ id }, index) => surfaces.some((other, at) => at < index && other.id === id))
  return twice
    ? { ok: false, faults: [{ path: 'id', message: `“${twice.id}” stands there twice.` }] }
    : { ok: true, surfaces }
}

/** A list with surfaces put in: those of the same id are replaced. */
export const withSurfaces = (known: readonly Surface[], added: readonly Surface[]): Surface[] => [
  ...known.filter(({ id }) => !added.some((one) => one.id === id)),
  ...added,
]

/** A surface as a file, to begin one's own from. */
export const surfaceAsFile = (surface: Surface): string => `${JSON.stringify(surface, null, 2)}\n`
