import Papa from 'papaparse'
import type { RefreshEntry } from '../compare'
import { neutralCell } from '../text'
import { REASON_WORDS } from './drift-reports'

/** A place with what is out of date in its copies. */
export type PlaceRefresh = { surface: string; name: string; entries: readonly RefreshEntry[] }

const isOpen = ({ state }: RefreshEntry) => state !== 'done'

/** Addresses that are still to be asked for, one a line, each once: what a place's own form for many addresses takes. */
export function refreshAsAddresses(entries: readonly RefreshEntry[]): string {
  return [...new Set(entries.filter(isOpen).map(({ address }) => `${address}\n`))].join('')
}

const COLUMNS = ['surface', 'address', 'page', 'reason', 'held since', 'goes by itself', 'state', 'asked']

/** The lists of all places as CSV (RFC 4180); cells that a spreadsheet would run are neutralised. */
export function refreshAsCsv(places: readonly PlaceRefresh[]): string {
  const data = places.flatMap(({ name, entries }) =>
    entries.map(({ address, page, reason, held, expiresAt, state, askedAt }) =>
      [name, address, page, REASON_WORDS[reason], held.at, expiresAt ?? 'never', state, askedAt ?? ''].map(neutralCell),
    ),
  )
  return `${Papa.unparse({ fields: COLUMNS, data }, { newline: '\r\n' })}\r\n`
}
