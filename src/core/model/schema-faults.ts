import { z } from 'zod'
import { nearestWord } from '../text'

/** A fault in a file that somebody wrote: where (in words, and as a path), what was found, what is allowed. */
export type FileFault = { path: string; message: string; at?: readonly PropertyKey[]; line?: number | null }

/** `sections["/guides/*"].levels`; `the file` for the whole. */
export const pathText = (path: readonly PropertyKey[]) =>
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

const unwrapped = (schema: z.core.$ZodType | undefined): z.core.$ZodType | undefined =>
  schema instanceof z.ZodOptional ? unwrapped(schema.unwrap()) : schema

const literalsOf = (schema: z.core.$ZodType | undefined): string[] =>
  schema instanceof z.ZodLiteral ? [...schema.values].map(String) : []

/** Branches of a union by the name of their kind. */
function branchesOf(union: z.ZodDiscriminatedUnion): { name: string; branch: z.ZodObject }[] {
  return union.options.flatMap((branch) =>
    branch instanceof z.ZodObject
      ? literalsOf(branch.shape[union.def.discriminator]).map((name) => ({ name, branch }))
      : [],
  )
}

/** The schema of a place; where there are branches, that of the one which the value chose. */
function schemaAt(schema: z.core.$ZodType, path: readonly PropertyKey[], value: unknown): z.core.$ZodType | undefined {
  let at = unwrapped(schema)
  let found = value
  for (const part of path) {
    if (at instanceof z.ZodObject) at = unwrapped(at.shape[String(part)])
    else if (at instanceof z.ZodRecord) at = unwrapped(at.valueType)
    else if (at instanceof z.ZodArray) at = unwrapped(at.element)
    else return undefined
    found = foundAt(found, [part])
    if (at instanceof z.ZodDiscriminatedUnion) {
      const kind = foundAt(found, [at.def.discriminator])
      at = branchesOf(at).find(({ name }) => name === kind)?.branch ?? at
    }
  }
  return at
}

/** Field names that a place of the schema knows, to find the one that was meant. */
function knownFields(schema: z.core.$ZodType, path: readonly PropertyKey[], value: unknown): string[] {
  const at = schemaAt(schema, path, value)
  return at instanceof z.ZodObject ? Object.keys(at.shape) : []
}

function explain(schema: z.core.$ZodType, issue: z.core.$ZodIssue, value: unknown): FileFault[] {
  const path = pathText(issue.path)
  const found = shown(foundAt(value, issue.path))
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => {
        const known = knownFields(schema, issue.path, value)
        const near = nearestWord(key, known)
        return {
          at: [...issue.path, key],
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
    case 'invalid_union': {
      // The path leads to the field that should have named the branch.
      const union = schemaAt(schema, issue.path.slice(0, -1), value)
      const kinds = union instanceof z.ZodDiscriminatedUnion ? branchesOf(union).map(({ name }) => name) : []
      const given = foundAt(value, issue.path)
      const near = nearestWord(String(given), kinds)
      return [
        {
          path,
          message:
            kinds.length === 0
              ? `It is ${found}, which can’t stand there.`
              : `It is ${found}; allowed are ${kinds.join(', ')}.${near ? ` Is “${near}” meant?` : ''}`,
        },
      ]
    }
    default:
      return [{ path, message: `It is ${found}: ${issue.message}.` }]
  }
}

/** What is wrong with a value that is no instance of a schema, in words; none when it is one. */
export function schemaFaults(schema: z.ZodType, value: unknown): FileFault[] {
  const parsed = schema.safeParse(value)
  return parsed.success
    ? []
    : parsed.error.issues.flatMap((issue) =>
        explain(schema, issue, value).map((fault) => ({ at: issue.path, ...fault })),
      )
}
