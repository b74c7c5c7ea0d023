import type { PageFacts } from '../model'
import { saidKind } from '../requirements'
import { addTo } from '../text'

/** What a page's own template leaves on it, whatever its author wrote. */
export type TemplateTrace = { kind: string | null; keys: ReadonlySet<string> }

/** What most pages of a group have in common: a fault on one of them changes nothing. */
export type TemplateProfile = { kind: string | null; keys: ReadonlySet<string> }

/** Two groups with less of their tags in common come from two templates. */
const SAME_FROM = 0.7

export function traceOf(facts: PageFacts): TemplateTrace {
  const things = facts.jsonLd.flatMap(({ things = [] }) => things.map(({ kind }) => `json-ld ${kind}`))
  return { kind: saidKind(facts), keys: new Set([...facts.metas.map(({ key }) => key), ...things]) }
}

export function profileOf(traces: readonly TemplateTrace[]): TemplateProfile {
  const kinds = new Map<string, TemplateTrace[]>()
  const keys = new Map<string, number>()
  for (const trace of traces) {
    if (trace.kind !== null) addTo(kinds, trace.kind, trace)
    for (const key of trace.keys) keys.set(key, (keys.get(key) ?? 0) + 1)
  }
  const [most] = [...kinds].sort(([, a], [, b]) => b.length - a.length)
  return {
    kind: most && most[1].length * 2 > traces.length ? most[0] : null,
    keys: new Set([...keys].filter(([, count]) => count * 2 > traces.length).map(([key]) => key)),
  }
}

/** Do two groups of pages look as if one template made them? */
export function isSameTemplate(a: TemplateProfile, b: TemplateProfile): boolean {
  if (a.kind !== b.kind) return false
  const all = new Set([...a.keys, ...b.keys])
  if (all.size === 0) return true
  const common = [...a.keys].filter((key) => b.keys.has(key)).length
  return common / all.size >= SAME_FROM
}
