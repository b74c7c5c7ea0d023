import { z } from 'zod'
import { checks } from '../check/rules'
import { surfaces } from '../surface/profiles'
import { nearestWord } from '../text/nearest-word'
import { Requirements } from './requirements'

/** A fault in a requirements file: where, what was found, what is allowed. */
export type RequirementFault = { path: string; message: string }

export type ReadRequirements = { ok: true; requirements: Requirements } | { ok: false; faults: RequirementFault[] }

const pathText = (path: readonly PropertyKey[]) =>
  path
    .map((part) =>
      typeof part === 'number' ? `[${part}]` : /^\w+$/.test(String(part)) ? `.${String(part)}` : `["${String(part)}"]`,
    )
    .join('')
    .replace(/^\./, '') || 'the file'

function foundAt(value: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>((at, part) => (at as Record<PropertyKey, unknown> | undefined)?.[part], value)
}

const shown = (value: unknown) => {
  const text = JSON.stringify(value) ?? 'nothing'
  return text.length > 60 ? `${text.slice(0, 60)}…` : text
}

/** Field names that a place of the schema knows, to find the one that was meant. */
function knownFields(path: readonly PropertyKey[]): string[] {
  let at: z.core.$ZodType | undefined = Requirements
  for (const part of path) {
    while (at instanceof z.ZodOptional) at = at.unwrap()
    if (at instanceof z.ZodObject) at = at.shape[String(part)]
    else if (at instanceof z.ZodRecord) at = at.valueType
    else if (at instanceof z.ZodArray) at = at.element
  }
  while (at instanceof z.ZodOptional) at = at.unwrap()
  return at instanceof z.ZodObject ? Object.keys(at.shape) : []
}

function explain(issue: z.core.$ZodIssue, value: unknown): RequirementFault[] {
  const path = pathText(issue.path)
  const found = shown(foundAt(value, issue.path))
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => {
        const known = knownFields(issue.path)
        const near = nearestWord(key, known)
        return {
          path: pathText([...issue.path, key]),
          message: `There is no such field. ${near ? `Is “${near}” meant?` : `Allowed are ${known.join(', ')}.`}`,
        }
      })
    case 'invalid_value': {
      const allowed = issue.values.map(String)
      const near = nearestWord(String(foundAt(value, issue.path)), allowed)
      return [
        {
          path,
          message: `It is ${found}; allowed ${allowed.length === 1 ? 'is' : 'are'} ${allowed.join(', ')}.${near ? ` Is “${near}” meant?` : ''}`,
        },
      ]
    }
    case 'invalid_type':
      return [
        {
          path,
          message: `It is ${found}; it must be ${/^[aeiou]/.test(issue.expected) ? 'an' : 'a'} ${issue.expected}.`,
        },
      ]
    default:
      return [{ path, message: `It is ${found}: ${issue.message}.` }]
  }
}

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
  const parsed = Requirements.safeParse(value)
  if (!parsed.success) return { ok: false, faults: parsed.error.issues.flatMap((issue) => explain(issue, value)) }
  const faults = strangers(parsed.data)
  return faults.length > 0 ? { ok: false, faults } : { ok: true, requirements: parsed.data }
}

/** Reads a requirements file. */
export function readRequirements(text: string): ReadRequirements {
  try {
    return checkRequirements(JSON.parse(text.replace(/^\uFEFF/, '')))
  } catch (error) {
    return {
      ok: false,
      faults: [
        { path: 'the file', message: `It is no JSON: ${error instanceof Error ? error.message : String(error)}` },
      ],
    }
  }
}

/** The JSON Schema that is published in docs/. */
export function requirementsJsonSchema(): object {
  return {
    title: 'Nimble Parrot requirements',
    ...z.toJSONSchema(Requirements, { unrepresentable: 'any', io: 'input' }),
  }
}
