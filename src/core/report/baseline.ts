import { z } from 'zod'
import { checkOf } from '../check/rules'
import type { Level, Summary } from '../model'
import type { RunDocument } from './run-document'

/** Findings that a run has already, by what they are about: lines may move. */
export type Baseline = ReadonlySet<string>

const Found = z.object({ rule: z.string(), image: z.string().optional() })

/** Of a run document, what a baseline is read from; the rest may be as it likes. */
const Document = z.object({
  format: z.literal('nimble-parrot-run'),
  version: z.literal(1),
  pages: z.array(z.object({ url: z.string(), findings: z.array(Found) })),
  findings: z.array(Found.extend({ pages: z.array(z.string()) })),
})

const keyOf = (url: string, { rule, image }: z.infer<typeof Found>) => `${rule}\n${url}\n${image ?? ''}`

/** Reads a baseline from the text of a run document; null when it is none. */
export function readBaseline(text: string): Baseline | null {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return null
  }
  const parsed = Document.safeParse(value)
  if (!parsed.success) return null
  const { pages, findings } = parsed.data
  return new Set([
    ...pages.flatMap(({ url, findings: own }) => own.map((finding) => keyOf(url, finding))),
    ...findings.flatMap((finding) => finding.pages.map((url) => keyOf(url, finding))),
  ])
}

/** What a run has beyond its baseline, counted as a summary counts: a picture's finding once. */
export function newSince(document: RunDocument, baseline: Baseline): Summary {
  const counts: Record<Level, number> = { error: 0, warning: 0, note: 0 }
  const pictures = new Set<string>()
  for (const { url, findings } of document.pages) {
    for (const finding of findings) {
      if (baseline.has(keyOf(url, finding))) continue
      if (finding.image !== undefined && checkOf(finding.rule)?.scope === 'image') {
        const key = `${finding.rule} ${finding.image}`
        if (pictures.has(key)) continue
        pictures.add(key)
      }
      counts[finding.level]++
    }
  }
  for (const finding of document.findings) {
    if (finding.pages.some((url) => !baseline.has(keyOf(url, finding)))) counts[finding.level]++
  }
  return { pages: document.pages.length, ...counts, clear: counts.error === 0 }
}
