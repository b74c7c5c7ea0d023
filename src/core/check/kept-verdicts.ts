import type { GatheredImage, GatheredPage } from '../model'
import type { PageRule } from '../requirements'
import { addTo } from '../text'
import type { CheckContext } from './context'
import type { Check } from './define-check'
import { checks } from './rules'
import { isReadable, type Outcome, outcomeOf, type PageSaid, together } from './run-checks'
import { siteNames } from './site-names'

const ofPages = checks.filter(({ scope }) => scope !== 'site')
const hangingOn = (what: Check['hangsOn']) => ofPages.filter(({ hangsOn }) => hangsOn === what)
const [ALONE, BY_NAMES, BY_RUN] = [hangingOn(undefined), hangingOn('names'), hangingOn('run')] as const

/** What is said of a page by checks that no other page has a say in, and by those that hang on names beside it. */
export type SaidAlone = { alone: Outcome; byNames: Outcome }

/** The same, with all that it hangs on beside the page's pictures. */
type Kept = SaidAlone & {
  /** The page that was judged: one that is known otherwise by now is another object. */
  page: GatheredPage
  rule: string
  names: string
}

/** What can be said of a page without the rest of the run. */
export const judgeAlone = (page: GatheredPage, context: CheckContext): SaidAlone => ({
  alone: outcomeOf(page, context, ALONE),
  byNames: outcomeOf(page, context, BY_NAMES),
})

const rulesInWords = new WeakMap<PageRule, string>()

/** What holds for a page, to be compared. */
function ruleInWords(rule: PageRule): string {
  const known = rulesInWords.get(rule)
  if (known !== undefined) return known
  const words = JSON.stringify({ ...rule, requires: [...rule.requires], mayShare: [...rule.mayShare] })
  rulesInWords.set(rule, words)
  return words
}

const namesInWords = (page: GatheredPage, context: CheckContext): string =>
  isReadable(page) ? JSON.stringify(siteNames(page, context)) : ''

const runsInWords = new WeakMap<CheckContext, string>()

/** What of a run is the same for all pages and decides what is said of each. */
function runInWords(context: CheckContext): string {
  const known = runsInWords.get(context)
  if (known !== undefined) return known
  const { requirements, cards, addresses, gathering } = context
  const words = JSON.stringify([
    requirements,
    cards.view,
    cards.loginPassed,
    gathering.robotsTxt,
    addresses.site,
    addresses.build,
    context.today,
  ])
  runsInWords.set(context, words)
  return words
}

/**
 * What was said of pages as they came, kept for as long as it holds: a page is judged once by the checks that no other
 * page has a say in. What hangs on names is asked again where these are others by now, what hangs on the run always.
 */
export class KeptVerdicts {
  private readonly kept = new Map<string, Kept>()
  private readonly askedBy = new Map<string, string[]>()
  private readonly came = new WeakSet<GatheredImage>()
  private run = ''

  /**
   * All checks that look at single pages, on one page.
   *
   * @param known the page as the run knows it; `page` may be a copy of it
   */
  check(page: GatheredPage, context: CheckContext, known: GatheredPage = page): PageSaid {
    this.holdFor(context)
    const rule = ruleInWords(context.ruleFor(page))
    const names = namesInWords(page, context)
    const before = this.kept.get(page.url)
    const holds = before !== undefined && before.page === known && before.rule === rule
    const alone = holds ? before.alone : outcomeOf(page, context, ALONE)
    const byNames = holds && before.names === names ? before.byNames : outcomeOf(page, context, BY_NAMES)
    this.kept.set(page.url, { page: known, rule, alone, names, byNames })
    return together(page, [alone, byNames, outcomeOf(page, context, BY_RUN)])
  }

  /** What was said of a page elsewhere, by what is known of this run. */
  keep(page: GatheredPage, context: CheckContext, said: SaidAlone): void {
    this.holdFor(context)
    const rule = ruleInWords(context.ruleFor(page))
    this.kept.set(page.url, { page, rule, names: namesInWords(page, context), ...said })
  }

  /** The same for the last time: nothing of the page is kept after it. */
  checkLast(page: GatheredPage, context: CheckContext): PageSaid {
    const said = this.check(page, context)
    this.kept.delete(page.url)
    return said
  }

  /** Nothing that was said by what is known otherwise holds any more. */
  private holdFor(context: CheckContext): void {
    if (runInWords(context) === this.run) return
    this.kept.clear()
    this.run = runInWords(context)
  }

  /** What tells one judgement of a page from a later one: as long as it is the same, the page's cards are, too. */
  stampOf(url: string): object | undefined {
    return this.kept.get(url)?.alone
  }

  /** A page was judged by what is known of these pictures, or by that nothing is. */
  asked(url: string, pictures: Iterable<string>): void {
    for (const picture of pictures) addTo(this.askedBy, picture, url)
  }

  /** A picture came, or is known otherwise: what was said of pages that asked for it holds no more. @returns these pages */
  pictureCame(picture: GatheredImage): string[] {
    if (this.came.has(picture)) return []
    this.came.add(picture)
    const pages = [...new Set(this.askedBy.get(picture.url))]
    this.askedBy.delete(picture.url)
    for (const url of pages) this.kept.delete(url)
    return pages
  }
}
