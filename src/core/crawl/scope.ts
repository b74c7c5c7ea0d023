/** What a user may narrow a run to. null and empty lists narrow nothing. */
export type Narrowing = {
  include: readonly string[]
  exclude: readonly string[]
  perSection?: number | null
  maxPages: number | null
  maxDepth?: number | null
}

/** The scope of a run in words, as every paper says it: `--include /guides/**`, `at most 100 pages`. */
export function scopeOf({ include, exclude, perSection = null, maxPages, maxDepth = null }: Narrowing): string[] {
  return [
    ...include.map((glob) => `--include ${glob}`),
    ...exclude.map((glob) => `--exclude ${glob}`),
    ...(perSection === null ? [] : [`at most ${perSection} ${perSection === 1 ? 'page' : 'pages'} of a section`]),
    ...(maxPages === null ? [] : [`at most ${maxPages} ${maxPages === 1 ? 'page' : 'pages'}`]),
    ...(maxDepth === null ? [] : [`at most ${maxDepth} ${maxDepth === 1 ? 'step' : 'steps'} from the start`]),
  ]
}
