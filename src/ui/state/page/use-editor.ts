'use client'

import { useEffect, useMemo, useState } from 'react'
import { decodedPath } from '@/core/crawl'
import type { Finding, GatheredPage, Position } from '@/core/model'
import { type SourceRule, sourceFileOf } from '@/core/requirements'
import { editorHref, readEditorPattern } from './editor-link'

/** The reader's editor: the pattern of its addresses, and the address of a place in this page. */
export type Editor = {
  pattern: string
  setPattern: (pattern: string) => void
  hrefOf: (place: Position) => string | null
  /** The same of a finding; null where it has no line. */
  ofFinding: (finding: Finding) => string | null
  /** The file in which the page is written, and its address in the editor; null where no rule of the site names it. */
  source: { file: string; href: string | null } | null
}

const NO_RULES: readonly SourceRule[] = []

/** A page that came over the network: the file that a build would keep it in. */
export function fileGuess(url: string): string {
  const path = decodedPath(new URL(url).pathname).slice(1)
  if (path === '' || path.endsWith('/')) return `${path}index.html`
  return /\.[a-z0-9]+$/i.test(path) ? path : `${path}.html`
}

/** @param rules of the site, by which its pages' source files are known */
export function useEditor(page: GatheredPage | null, rules: readonly SourceRule[] = NO_RULES): Editor {
  const [pattern, setPattern] = useState('')
  useEffect(() => setPattern(readEditorPattern()), [])
  return useMemo(() => {
    const file = page && (page.file ?? fileGuess(page.url))
    const hrefOf = ({ line, column }: Position) => (file ? editorHref(pattern, { file, line, column }) : null)
    const ofFinding = ({ line, column }: Finding) => (line === null ? null : hrefOf({ line, column: column ?? 1 }))
    const written = page && sourceFileOf(new URL(page.url).pathname, rules)
    const source = written ? { file: written, href: editorHref(pattern, { file: written, line: 1, column: 1 }) } : null
    return { pattern, setPattern, hrefOf, ofFinding, source }
  }, [page, pattern, rules])
}
