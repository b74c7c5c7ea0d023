import { z } from 'zod'
import { globFault } from '../address'
import {
  type FileFault,
  isKnownType,
  isOwnType,
  KNOWN_TYPES,
  type LineOf,
  linesOfJson,
  parseJson,
  pathText,
  schemaFaults,
} from '../model'
import { Requirements } from '../requirements'
import { surfacesWith } from '../surface'
import { nearestWord } from '../text'
import { checks } from './rules'

/** A fault in a requirements file: where, what was found, what is allowed. */
export type RequirementFault = FileFault

export type ReadRequirements = { ok: true; requirements: Requirements } | { ok: false; faults: RequirementFault[] }

/** A fault with its place as a path, before a line is known. */
type PlacedFault = { at: readonly PropertyKey[]; message: string }

const asFault = ({ at, message }: PlacedFault): RequirementFault => ({ at, path: pathText(at), message })

/** Kinds that a requirements file may name beside `prefix:type`: those of og:type, and what is never shared. */
const KINDS = ['not-shared', ...KNOWN_TYPES]

/** What the schema can't know: names of checks, surfaces and kinds, and globs that can match no path. */
function strangers(given: Requirements): PlacedFault[] {
  const ids = checks.map(({ id }) => id)
  const places = surfacesWith(given.ownSurfaces ?? []).map(({ id }) => id)
  const unknown = (
    name: string,
    path: readonly PropertyKey[],
    known: readonly string[],
    what: string,
  ): PlacedFault[] => {
    if (known.includes(name)) return []
    const near = nearestWord(name, known)
    return [{ at: path, message: `There is no ${what} “${name}”.${near ? ` Is “${near}” meant?` : ''}` }]
  }
  const kind = (name: string, path: readonly PropertyKey[]) =>
    isOwnType(name) || isKnownType(name) ? [] : unknown(name, path, KINDS, 'kind')
  const glob = (text: string, path: readonly PropertyKey[]): PlacedFault[] => {
    const fault = globFault(text)
    if (fault !== null) return [{ at: path, message: fault }]
    return text.startsWith('/') || text.startsWith('*')
      ? []
      : [{ at: path, message: `“${text}” matches no path: paths begin with a slash. Is “/${text}” meant?` }]
  }
  const levels = (at: Record<string, unknown> | undefined, path: readonly PropertyKey[]) =>
    Object.keys(at ?? {}).flatMap((id) => unknown(id, [...path, id], ids, 'check'))
  return [
    ...levels(given.levels, ['levels']),
    ...Object.entries(given.kinds ?? {}).flatMap(([name, rule]) => [
      ...kind(name, ['kinds', name]),
      ...levels(rule.levels, ['kinds', name, 'levels']),
    ]),
    ...Object.entries(given.sections ?? {}).flatMap(([name, rule]) => [
      ...glob(name, ['sections', name]),
      ...(rule.kind === undefined ? [] : kind(rule.kind, ['sections', name, 'kind'])),
      ...levels(rule.levels, ['sections', name, 'levels']),
    ]),
    ...(given.waivers ?? []).flatMap(({ pages }, index) =>
      pages === undefined ? [] : glob(pages, ['waivers', index, 'pages']),
    ),
    ...(given.surfaces?.length === 0
      ? [
          {
            at: ['surfaces'],
            message: `No surface counts, so that nothing would be checked. Name some (${places.slice(0, 3).join(', ')} …), or leave the field out: all count then.`,
          },
        ]
      : []),
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
  return unknown.length > 0 ? { ok: false, faults: unknown.map(asFault) } : { ok: true, requirements }
}

/** Reads a requirements file; faults know their lines, and `lineOf` gives the line of any part of it. */
export function readRequirements(
  text: string,
): { ok: true; requirements: Requirements; lineOf: LineOf } | { ok: false; faults: RequirementFault[] } {
  const parsed = parseJson(text)
  if (!parsed.ok) return parsed
  const lineOf = linesOfJson(text)
  const read = checkRequirements(parsed.value)
  if (read.ok) return { ...read, lineOf }
  return { ok: false, faults: read.faults.map((fault) => ({ ...fault, line: fault.at ? lineOf(fault.at) : null })) }
}

/** The JSON Schema that is published in docs/. */
export function requirementsJsonSchema(): object {
  return {
    title: 'Nimble Parrot requirements',
    ...z.toJSONSchema(Requirements, { unrepresentable: 'any', io: 'input' }),
  }
}
