import { encodedPath } from '@/core/crawl'

/** Where in the build something stands. */
export type EditorPlace = { file: string; line: number; column: number }

const KEY = 'nimble-parrot editor'
/** Schemes that would run something in this page instead of opening a file. */
const FORBIDDEN = /^\s*(?:javascript|data|vbscript|blob):/i

/** Why an address pattern can't be used; null when it can, or is empty. */
export function patternFault(pattern: string): string | null {
  if (pattern.trim() === '') return null
  if (FORBIDDEN.test(pattern) || !/^[a-z][a-z0-9+.-]*:/i.test(pattern.trim()))
    return 'It must start with the scheme that your editor answers to, such as editor://'
  return pattern.includes('{file}') ? null : 'It must hold {file}; {line} and {column} may follow.'
}

/**
 * The address that opens a place in the reader's editor; null without a usable pattern.
 * @example editorHref('editor://open{file}:{line}', { file: 'guides/lamp.html', line: 12, column: 3 })
 */
export function editorHref(pattern: string, { file, line, column }: EditorPlace): string | null {
  if (pattern.trim() === '' || patternFault(pattern) !== null) return null
  const path = encodedPath(file)
  return pattern
    .trim()
    .replaceAll('{file}', path)
    .replaceAll('{line}', String(line))
    .replaceAll('{column}', String(column))
}

/** The pattern that the reader set once in this browser; empty while there is none. */
export function readEditorPattern(): string {
  try {
    return localStorage.getItem(KEY) ?? ''
  } catch {
    // Storage that is closed to us is no reason to fail: there is no pattern then.
    return ''
  }
}

export function keepEditorPattern(pattern: string): void {
  try {
    localStorage.setItem(KEY, pattern)
  } catch {
    // It holds until the page is left.
  }
}
