import { pathOn } from '../address'
import type { Cause } from '../cause'
import { lineOfTag, type SourceRule, sourceFileOf } from '../requirements'
import type { RunDocument } from './run-document'

/** Reads a source file by its path; null where there is none. */
export type ReadSource = (file: string) => Promise<string | null>

/** The document with the file and line in which each cause's evidence is written, where the rules name a file that is there. */
export async function withSources(
  document: RunDocument,
  rules: readonly SourceRule[],
  read: ReadSource,
): Promise<RunDocument> {
  if (rules.length === 0) return document
  const texts = new Map<string, Promise<string | null>>()
  const textOf = (file: string) => {
    const known = texts.get(file) ?? read(file)
    texts.set(file, known)
    return known
  }
  const placed = async (cause: Cause): Promise<Cause> => {
    const evidence = cause.evidence.map(async (seen) => {
      const file = sourceFileOf(pathOn(seen.url, document.source.site), rules)
      const text = file === null ? null : await textOf(file)
      if (file === null || text === null) return seen
      const lines = cause.edits.flatMap(({ tag }) => lineOfTag(text, tag) ?? [])
      return { ...seen, source: { file, line: lines[0] ?? null } }
    })
    return { ...cause, evidence: await Promise.all(evidence) }
  }
  return { ...document, causes: await Promise.all(document.causes.map(placed)) }
}
