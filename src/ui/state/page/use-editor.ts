'use client'

import { useEffect, useMemo, useState } from 'react'
import { decodedPath } from '@/core/crawl'
import type { Finding, GatheredPage, Position } from '@/core/model'
import { editorHref, readEditorPattern } from './editor-link'

/** The reader's editor: the pattern of its addresses, and the address of a place in this page. */
export type Editor = {
  pattern: string
  setPattern: (pattern: string) => void
  hrefOf: (place: Position) => string | null
  /** The same of a finding; null where it has no line. */
  ofFinding: (finding: Finding) => string | null
}

/** A page that came over the network: the file that a build would keep it in. */
export function fileGuess(url: string): string {
  const path = decodedPath(new URL(url).pathname).slice(1)
  if (path === '' || path.endsWith('/')) return `${path}index.html`
  return /\.[a-z0-9]+$/i.test(path) ? path : `${path}.html`
}

export function useEditor(page: GatheredPage | null): Editor {
  const [pattern, setPattern] = useState('')
  useEffect(() => setPattern(readEditorPattern()), [])
  return useMemo(() => {
    const file = page && (page.file ?? fileGuess(page.url))
    const hrefOf = ({ line, column }: Position) => (file ? editorHref(pattern, { file, line, column }) : null)
    const ofFinding = ({ line, column }: Finding) => (line === null ? null : hrefOf({ line, column: column ?? 1 }))
    return { pattern, setPattern, hrefOf, ofFinding }
  }, [page, pattern])
}
