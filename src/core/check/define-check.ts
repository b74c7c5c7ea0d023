import type { GatheredPage, Level, MissingUrl, PageFacts, Position } from '../model'
import type { TagSubject } from '../tag'
import type { CheckContext, PageContext } from './context'

/**
 * What repairs one failure, so that it can be tried. `{name}` is filled from the finding's data.
 *
 * `setTag`: the tag says `to`, else what the page itself says elsewhere, else what a person has to write. `fillTag`: the
 * same where the page must have it or says it elsewhere, else it is removed. `keepOne`: its repeats are removed.
 * `setAttribute`: it stands under the right one. `moveTagsUp`: the tags stand at the top of the head. `rewriteText`: a
 * person rewrites that text, in every tag that says it. `varyText`: the same, where pages share it. `replaceImage`: a
 * person makes another image. `removeLink`, `setShareUrl`: of the link that the finding points at. `allowCrawlers`:
 * robots.txt lets them in. `retitle`: the title is built like that one; without one, it has the site's name once.
 * `askPerson`: something that can't be tried here, in words.
 */
export type Repair =
  | { do: 'setTag'; tag: string; to?: string }
  | { do: 'fillTag'; tag: string }
  | { do: 'removeTag'; tag: string }
  | { do: 'keepOne'; tag: string }
  | { do: 'setAttribute'; tag: string }
  | { do: 'renameTag'; tag: string; to: string }
  | { do: 'moveTagsUp' }
  | { do: 'rewriteText'; text: 'title' | 'description' | '{key}' }
  | { do: 'varyText'; text: 'title' | 'description' }
  | { do: 'replaceImage'; needs: string }
  | { do: 'addFavicon' }
  | { do: 'removeLink' }
  | { do: 'setShareUrl'; to: string }
  | { do: 'allowCrawlers' }
  | { do: 'retitle'; like: string }
  | { do: 'askPerson'; needs: string; where?: 'server' | 'site' }

/**
 * Words of one way to fail, and what repairs it. `{name}` is filled from the finding's data. `anywhere` is the fix where it
 * speaks for many pages; absent where the fix names no line.
 */
type Message = { says: string; fix: string; anywhere?: string; repair: Repair | readonly Repair[] }

export type Family = 'text' | 'open-graph' | 'image' | 'access' | 'rich-data'

/** What a finding is about: findings about one thing are mostly mended by one change. */
export type Subject = TagSubject | 'rich-data' | 'share-links'

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
  /** What else its answer hangs on: an edit of that may change it. */
  alsoReads?: readonly Subject[]
  /** The tag that it says is missing. */
  lacks?: string
  /**
   * `form`: how a tag is written is wrong, whatever it says; a template that writes one so writes all of them so.
   * `beside`: a tag is missing beside the one that the finding points at.
   */
  isOf?: 'form' | 'beside'
  /** Where it is raised, the page lacks everything else for this one reason. */
  explainsAll?: true
  /** Of a finding across pages: each page that it names is a fault by itself, so that one more of them is new. */
  isOfEachPage?: true
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

type ReadPage = GatheredPage & { facts: PageFacts }

/**
 * A check of one page. `page`: of one that could be read. `access`: read or not, how it answered. `image`: of the pictures
 * that it declares; counted once for each picture, however many pages use it.
 */
type OfPage<Context> =
  | { scope: 'page' | 'image'; check(page: ReadPage, context: Context): Raised[] | SkippedCheck }
  | {
      scope: 'access'
      check(page: GatheredPage, context: Context): Raised[] | SkippedCheck
      /** The same of URLs that are no page, since there is nothing at them: one finding for them all. */
      ofMissing?(missing: readonly MissingUrl[], context: CheckContext): SiteRaised[]
    }

/** Made as soon as the page and its pictures are there, and it holds: its context knows no other page. */
type AloneCheck = CheckMeta & { hangsOn?: undefined } & OfPage<PageContext>

/** `names`: its answer hangs on what the site and its sections are called, too. `run`: on any page of the run. */
type RunCheck = CheckMeta & {
  hangsOn: 'names' | 'run'
  /** What is so of all pages of a section, once for them all; the pages by themselves are not raised then. */
  acrossPages?(context: CheckContext): SiteRaised[]
} & OfPage<CheckContext>

/** Looks at single pages. */
export type PageCheck = AloneCheck | RunCheck

/** Looks across the pages. */
type SiteCheck = CheckMeta & {
  scope: 'site'
  hangsOn?: undefined
  check(context: CheckContext): SiteRaised[] | SkippedCheck
}

export type Check = PageCheck | SiteCheck

/** Types a check without widening it. */
export function defineCheck<T extends AloneCheck | SiteCheck>(check: T): T
export function defineCheck<T extends RunCheck>(check: T): T
export function defineCheck(check: Check): Check {
  return check
}

/**
 * A message with its data filled in. A name without a value is a dash: nobody is to read a raw place holder, and what was
 * kept by an earlier version may lack one. That none lacks when a finding is made is held by the tests.
 */
export const fillWords = (words: string, data: Raised['data'] = {}): string =>
  words.replace(/\{(\w+)\}/g, (_whole, name: string) => String(data[name] ?? UNFILLED))

/** Stands for a value that is not known. */
export const UNFILLED = '—'
