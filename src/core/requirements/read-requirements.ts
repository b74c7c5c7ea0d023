import { z } from 'zod'
import { checks } from '../check/rules'
import { type FileFault, parseJson, pathText, schemaFaults } from '../schema-faults'
import { surfaces } from '../surface/profiles'
import { nearestWord } from '../text/nearest-word'
import { Requirements } from './requirements'

/** A fault in a requirements file: where, what was found, what is allowed. */
export type RequirementFault = FileFault

export type ReadRequirements = { ok: true; requirements: Requirements } | { ok: false; faults: RequirementFault[] }

/** Names that the schema can't know: checks and surfaces. */
function strangers(given: Requirements): RequirementFault[] {
  const ids = checks.map(({ id }) => id)
  const places = [...surfaces.map(({ id }) => id), ...(given.ownSurfaces ?? []).map(({ id }) => id)]
  const unknown = (
    name: string,
    path: readonly PropertyKey[],
    known: readonly string[],
    what: string,
  ): RequirementFault[] => {
    if (known.includes(name)) return []
    const near = nearestWord(name, known)
    return [{ path: pathText(path), message: `There is no ${what} “${name}”.${near ? ` Is “${near}” meant?` : ''}` }]
  }
  const levels = (at: Record<string, unknown> | undefined, path: readonly PropertyKey[]) =>
    Object.keys(at ?? {}).flatMap((id) => unknown(id, [...path, id], ids, 'check'))
  return [
    ...levels(given.levels, ['levels']),
    ...Object.entries(given.kinds ?? {}).flatMap(([name, rule]) => levels(rule.levels, ['kinds', name, 'levels'])),
    ...Object.entries(given.sections ?? {}).flatMap(([name, rule]) =>
      levels(rule.levels, ['sections', name, 'levels']),
    ),
    ...(given.waivers ?? []).flatMap(({ rule }, index) => unknown(rule, ['waivers', index, 'rule'], ids, 'check')),
    ...(given.surfaces ?? []).flatMap((id, index) => unknown(id, ['surfaces', index], places, 'surface')),
  ]
}

/** Checks what a requirements file holds. Never throws: every fault is named with its path and what is allowed there. */
export function checkRequirements(value: unknown): ReadRequirements {
  const faults = schemaFaults(Requirements, value)
  if (faults.length > 0) return { ok: false, faults }
  const requirements = Requirements.parse(value)
  const unknown = strangers(requirements)
  return unknown.length > 0 ? { ok: false, faults: unknown } : { ok: true, requirements }
}

/** Reads a requirements file. */
export function readRequirements(text: string): ReadRequirements {
  const read = parseJson(text)
  return read.ok ? checkRequirements(read.value) : read
}

/** The JSON Schema that is published in docs/. */
export function requirementsJsonSchema(): object {
  return {
    title: 'Nimble Parrot requirements',
    ...z.toJSONSchema(Requirements, { unrepresentable: 'any', io: 'input' }),
  }
}
