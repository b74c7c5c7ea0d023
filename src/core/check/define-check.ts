import type { GatheredPage, Level, PageFacts, Position } from '../model'
import type { CheckContext } from './context'

/**
 * Words of one way to fail. `{name}` is filled from the finding's data. `anywhere` is the fix where it speaks for many
 * pages; absent where the fix names no line.
 */
type Message = { says: string; fix: string; anywhere?: string }

export type Family = 'text' | 'open-graph' | 'image' | 'access' | 'rich-data'

/** What a finding is about: findings about one thing are mostly mended by one change. */
export type Subject =
  | 'title'
  | 'description'
  | 'picture'
  | 'type'
  | 'card'
  | 'address'
  | 'site-name'
  | 'account'
  | 'language'
  | 'rich-data'
  | 'share-links'
  | 'access'
  | 'head'
  | 'tags'

/** What a check tells about itself: the same for all, so that lists, documents and settings need no special case. */
export type CheckMeta = {
  /** Public and never changed in meaning: exports, requirement files and waivers use it. */
  id: string
  /** What it finds, in two or three words: there is room for no more under a card. */
  label: string
  family: Family
  level: Level
  /** Absent where it looks at many tags: then a finding is about what the tag that it points at says. */
  subject?: Subject
  /** The tag that it says is missing. */
  lacks?: string
  /**
   * `form`: how a tag is written is wrong, whatever it says; a template that writes one so writes all of them so.
   * `beside`: a tag is missing beside the one that the finding points at.
   */
  isOf?: 'form' | 'beside'
  /** Asked of a page's cards, and not of one that is never shared, though its family is asked of every page. */
  isAboutSharing?: true
  /** What it looks at, and why it matters, each in a sentence for people. */
  looksAt: string
  why: string
  messages: Record<string, Message>
}

/** One failure, without words: they are in the check's messages. */
export type Raised = {
  message: string
  /** Whatever the tag says, the way it is written is wrong, and is so wherever the same hand wrote it. */
  isForm?: boolean
  data?: Record<string, string | number>
  at?: Position | null
  image?: string
  level?: Level
}

/** One failure across pages. */
export type SiteRaised = Raised & { pages: string[] }

/** A check that could not be made. Never taken for passed. */
export type SkippedCheck = { skipped: string }

export const skipCheck = (reason: string): SkippedCheck => ({ skipped: reason })

/** Looks at one page that could be read. */
export type PageCheck = CheckMeta & {
  scope: 'page'
  check(page: GatheredPage & { facts: PageFacts }, context: CheckContext): Raised[] | SkippedCheck
}

/** Looks at one page, read or not: how it answered. */
type AccessCheck = CheckMeta & {
  scope: 'access'
  check(page: GatheredPage, context: CheckContext): Raised[] | SkippedCheck
}

/** Looks at the pictures that one page declares. Counted once for each picture, however many pages use it. */
type ImageCheck = CheckMeta & {
  scope: 'image'
  check(page: GatheredPage & { facts: PageFacts }, context: CheckContext): Raised[] | SkippedCheck
}

/** Looks across the pages. */
type SiteCheck = CheckMeta & {
  scope: 'site'
  check(context: CheckContext): SiteRaised[] | SkippedCheck
}

export type Check = PageCheck | AccessCheck | ImageCheck | SiteCheck

/** Types a check without widening it. */
export const defineCheck = <T extends Check>(check: T): T => check

/** A message with its data filled in. */
export function fillWords(words: string, data: Raised['data'] = {}): string {
  return words.replace(/\{(\w+)\}/g, (whole, name: string) => String(data[name] ?? whole))
}
