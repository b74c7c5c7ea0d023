import type { RunNote } from '../model'
import type { Answered } from './read-address'

/** Bytes of a body that are looked at to see whether it is HTML after all. */
const SNIFFED = 512

type Kind = { type: string; count: number; such: string; isHtmlInside: boolean }

/** Does a body begin as an HTML page does? */
function beginsAsHtml(body: Uint8Array): boolean {
  const start = String.fromCharCode(...body.subarray(0, SNIFFED))
    .replace(/^\xEF\xBB\xBF/, '')
    .trimStart()
    .toLowerCase()
  return start.startsWith('<!doctype html') || start.startsWith('<html') || start.startsWith('<head')
}

/** Addresses that a crawl asked for and that are no page: what they are instead. */
export class NoPages {
  private readonly kinds = new Map<string, Kind>()
  private away: { from: string; to: string; count: number } | null = null

  /** @param site public base address of the run */
  constructor(private readonly site: string) {}

  addAnswer(url: string, { headers, body }: Answered): void {
    const type = (headers['content-type'] ?? '').split(';')[0]!.trim().toLowerCase()
    const known = this.kinds.get(type) ?? { type, count: 0, such: url, isHtmlInside: beginsAsHtml(body) }
    known.count++
    this.kinds.set(type, known)
  }

  /** An address that redirects to another site. */
  addRedirect(from: string, to: string): void {
    this.away = { from: this.away?.from ?? from, to: this.away?.to ?? to, count: (this.away?.count ?? 0) + 1 }
  }

  private *found(): Generator<string> {
    for (const { type, count, such, isHtmlInside } of this.kinds.values()) {
      const what = type === '' ? 'was sent without a type' : `is ${type}`
      const inside = isHtmlInside ? ' – its bytes are HTML, so the server sends it under a wrong type' : ''
      yield count === 1 ? `${such} ${what}${inside}` : `${count} addresses, such as ${such}: each ${what}${inside}`
    }
    if (this.away) {
      const { from, to, count } = this.away
      yield count === 1
        ? `${from} redirects to another site, ${to}`
        : `${count} addresses redirect to another site, such as ${from} to ${to}`
    }
  }

  /** What is said where not one page was read: what was found instead, and what to try. */
  words(): string {
    const found = [...this.found()]
    const isMistyped = [...this.kinds.values()].some(({ isHtmlInside }) => isHtmlInside)
    const mend = isMistyped
      ? 'Have the server send Content-Type: text/html.'
      : this.away && this.kinds.size === 0
        ? `Start at ${this.away.to}, or say with --site what the production address is.`
        : 'Give the address of an HTML page, a folder of built HTML, or a sitemap.'
    return `No page was read at ${this.site}. ${found.length === 0 ? 'No address was left to ask for' : found.join('; ')}. ${mend}`
  }

  /** The same beside pages that were read; null where there is nothing to say. */
  note(): RunNote | null {
    const kinds = [...this.kinds.values()]
    if (kinds.length === 0) return null
    const words = kinds.map(({ type, count, such, isHtmlInside }) => {
      const what = type === '' ? 'no type' : type
      return `${count === 1 ? such : `${count}, such as ${such}`} (${what}${isHtmlInside ? ', though its bytes are HTML' : ''})`
    })
    return { kind: 'not-html', message: `Linked, but no HTML page, and so not looked at: ${words.join('; ')}.` }
  }
}
