import type { Finding } from '../model'
import type { EditPlace } from './cause'
import type { Change } from './change'
import type { ReadPage } from './desk'
import type { EditRule } from './rule-of'

/** What is to change on one page, and the findings that ask for it. */
export type PageChange = {
  page: ReadPage
  section: string
  change: Change
  from: string | null
  needs: string | null
  /** What it says in terms of the page, where that is known. */
  term?: string | undefined
  /** Who wrote the tag, as a comment above it says; null where none does. */
  emitter: string | null
  /** How well it is known what the tag should say: of two changes of one tag the stronger is the final one. */
  strength: number
  /** A text that a person writes, by what it is: such jobs are one for all pages. */
  job: string | null
  findings: Finding[]
}

/** What all of a plan's pages have in common: how a template's edit differs from the one odd page's. */
export type Scope = {
  where: EditPlace
  /** Sections whose templates are at fault, or that the pages are of. */
  sections: string[]
  /** What sets these pages apart from others of their sections, in words; null where nothing does. */
  trait: string | null
  /** Pages that the template makes, which may have it right by themselves. */
  of: number
}

/** One edit of a plan: a tag and its rule. */
export type PlannedEdit = { tag: string; rule: EditRule; kind: Change['kind'] }

/** What a person would change in one go: some edits in one place, with the changes of each page. */
export type Plan = {
  scope: Scope
  edits: PlannedEdit[]
  changes: Map<string, PageChange[]>
  /** Pictures that are replaced. */
  pictures: string[]
  /** Crawlers that robots.txt lets in. */
  crawlers: string | null
  /** The site gets an icon. */
  hasNewIcon: boolean
  needs: string[]
  /** Who writes the tags that are to go, where the pages say so. */
  emitter: string | null
  /** What it was made for, so that the gravest can speak for it; what really goes is known once it is tried. */
  readonly asked: { url: string; finding: Finding }[]
}

export const pagesOf = (plan: Plan): string[] =>
  plan.changes.size > 0 ? [...plan.changes.keys()] : [...new Set(plan.asked.map(({ url }) => url))]
