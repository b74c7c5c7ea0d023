import { areLanguageVersions, type CheckContext, fixAnywhere, inWords, type PageVerdict } from '../check'
import { byLevel, type Finding, LEVELS, type Level, type SiteFinding } from '../model'
import { addTo, groupBy } from '../text'
import type { Cause, CauseKind } from './cause'
import { type Fault, faultsOf } from './faults'
import { snippetFor } from './snippet'
import { isAboutPicture } from './subject'
import { type CauseParts, missingTags, sentenceFor } from './words'

/** From this share of a section's pages on, its template is at fault. */
const TEMPLATE_SHARE = 0.5
/** Siblings that make one page the odd one out, and the share of them that have what it lacks. */
const ODD_SECTION = 4
const ODD_SHARE = 0.75
/** Lines shown as evidence. */
const EVIDENCE = 3

/** Checks of texts that several pages share. */
const SHARED_TEXTS: ReadonlySet<string> = new Set(['title-duplicate', 'description-duplicate'])

const worst = (levels: Iterable<Level>): Level => {
  const found = new Set(levels)
  return LEVELS.find((level) => found.has(level)) ?? 'note'
}

const rulesOf = (faults: readonly Fault[]) =>
  [...new Set(faults.flatMap(({ findings }) => findings.map(({ rule }) => rule)))].sort()

/** The finding that stands for all: the gravest; of equals the one that most faults have. */
function mainOf(findings: readonly Finding[]): Finding {
  const counts = groupBy(findings, ({ rule }) => rule)
  return [...findings].sort((a, b) => byLevel(a, b) || counts.get(b.rule)!.length - counts.get(a.rule)!.length)[0]!
}

function clearsOf(findings: readonly Finding[]): Cause['clears'] {
  const clears = { error: 0, warning: 0, note: 0 }
  for (const { level } of findings) clears[level]++
  return clears
}

/** Names the program that wrote all of the tags, if the pages say so. */
function emitterSentence(faults: readonly Fault[]): string {
  const emitters = new Set(faults.map(({ emitter }) => emitter))
  const [only] = emitters
  return emitters.size === 1 && only ? ` It stands beneath the comment “${only}”: that is who writes it.` : ''
}

/** What is wrong and what mends it, one after the other. */
function sentences(finding: Finding): string {
  const { message, fix } = inWords(finding)
  return `${message} ${fix}`
}

class CauseFinder {
  private readonly causes: Cause[] = []
  private readonly ids = new Map<string, number>()
  private readonly sizes: ReadonlyMap<string, number>

  constructor(
    private readonly context: CheckContext,
    verdicts: readonly PageVerdict[],
  ) {
    const sizes = new Map<string, number>()
    for (const { section } of verdicts) sizes.set(section, (sizes.get(section) ?? 0) + 1)
    this.sizes = sizes
  }

  private idFor(parts: readonly string[]): string {
    const id = parts.join(' ')
    const before = this.ids.get(id) ?? 0
    this.ids.set(id, before + 1)
    return before === 0 ? id : `${id} ${before + 1}`
  }

  private sizeOf(sections: ReadonlySet<string>): number {
    return [...sections].reduce((sum, section) => sum + (this.sizes.get(section) ?? 0), 0)
  }

  /** One cause of faults that one change mends. */
  private add(kind: CauseKind, faults: readonly Fault[]): void {
    const findings = faults.flatMap((fault) => fault.findings)
    const main = mainOf(findings)
    const sections = new Set(faults.map(({ section }) => section))
    const pages = [...new Set(faults.map(({ page }) => page.url))]
    const section = sections.size === 1 ? [...sections][0]! : '*'
    const parts: CauseParts = {
      kind,
      main: inWords(main),
      fixForAll: fixAnywhere(main),
      faults,
      pages,
      section,
      of: this.sizeOf(sections),
      site: this.context.addresses.site,
    }
    this.causes.push({
      id: this.idFor([kind, section, faults[0]!.subject, main.rule]),
      kind,
      rule: main.rule,
      rules: rulesOf(faults),
      level: worst(findings.map(({ level }) => level)),
      change: sentenceFor(parts) + emitterSentence(faults),
      section,
      pages,
      clears: clearsOf(findings),
      evidence: faults.slice(0, EVIDENCE).map(({ page, tag, findings: own }) => ({
        url: page.url,
        line: tag?.line ?? own.find(({ line }) => line !== null)?.line ?? null,
        value: tag ? (tag.value ?? '') : null,
      })),
      snippet: snippetFor(faults, this.context),
    })
  }

  /** The same wrong value in many places was written once. */
  private takeSameValues(faults: readonly Fault[]): Fault[] {
    const same = faults.filter(({ shape }) => shape === 'same')
    const rest = faults.filter(({ shape }) => shape !== 'same')
    for (const group of groupBy(same, ({ subject, tag }) => `${subject}\n${tag!.key}\n${tag!.value}`).values()) {
      if (group.length > 1) this.add('value', group)
      else rest.push(...group)
    }
    return rest
  }

  /** What is written in the wrong way is written so by one hand, whatever it says. */
  private takeForms(faults: readonly Fault[]): Fault[] {
    const rest = faults.filter(({ shape }) => shape !== 'form')
    const forms = faults.filter(({ shape }) => shape === 'form')
    for (const group of groupBy(
      forms,
      ({ findings, tag, emitter }) => `${findings[0]!.rule}\n${tag?.key ?? ''}\n${emitter ?? ''}`,
    ).values()) {
      if (new Set(group.map(({ page }) => page.url)).size > 1) this.add('template', group)
      else rest.push(...group)
    }
    return rest
  }

  /** What a section's template leaves out or empty. Things left out on the very same pages are one change. */
  private takeTemplates(faults: readonly Fault[]): Fault[] {
    const rest: Fault[] = []
    const templates: Fault[][] = []
    const groups = groupBy(
      faults,
      (fault) =>
        `${fault.section}\n${fault.subject}\n${fault.shape}\n${fault.tag?.key ?? ''}\n${missingTags([fault]).join()}`,
    )
    for (const group of groups.values()) {
      const { section, shape } = group[0]!
      const pages = new Set(group.map(({ page }) => page.url)).size
      const isTemplate = shape !== 'own' && pages > 1 && pages >= TEMPLATE_SHARE * (this.sizes.get(section) ?? 0)
      if (isTemplate) templates.push(group)
      else rest.push(...group)
    }
    const pagesKey = (group: readonly Fault[]) =>
      group[0]!.shape === 'absent'
        ? `${group[0]!.section} ${group
            .map(({ page }) => page.url)
            .sort()
            .join(' ')}`
        : `${group[0]!.section} ${group[0]!.subject} ${group[0]!.tag?.key}`
    const merged = [...groupBy(templates, pagesKey).values()].map((together) => together.flat())
    // The same left out by several sections' templates is the layout that they share.
    for (const across of groupBy(merged, (group) =>
      [
        ...new Set(
          group.map(
            (fault) => `${fault.subject} ${fault.shape} ${fault.tag?.key ?? ''} ${missingTags([fault]).join()}`,
          ),
        ),
      ]
        .sort()
        .join('|'),
    ).values())
      this.add('template', across.flat())
    return rest
  }

  /** The one page, or the few, that lack what nearly all of their siblings have. */
  private takeOdd(faults: readonly Fault[]): Fault[] {
    const rest: Fault[] = []
    for (const group of groupBy(
      faults,
      ({ section, shape }) => `${section}\n${shape === 'absent' || shape === 'blank'}`,
    ).values()) {
      const { section, shape } = group[0]!
      const size = this.sizes.get(section) ?? 0
      const pagesWith = new Map<string, Set<string>>()
      for (const { subject, page } of group) {
        const pages = pagesWith.get(subject) ?? new Set()
        pagesWith.set(subject, pages.add(page.url))
      }
      const byPage = groupBy(group, ({ page }) => page.url)
      for (const ofPage of byPage.values()) {
        const subjects = [...new Set(ofPage.map(({ subject }) => subject))]
        const others = new Set(subjects.flatMap((subject) => [...pagesWith.get(subject)!])).size
        const isOdd =
          (shape === 'absent' || shape === 'blank') && size >= ODD_SECTION && size - others >= ODD_SHARE * size
        if (isOdd) this.add('odd', ofPage)
        else rest.push(...ofPage)
      }
    }
    return rest
  }

  /** Texts that people have to write, page by page: one job for each kind of fault in a section. */
  private takeTexts(faults: readonly Fault[]): Fault[] {
    const rest: Fault[] = []
    for (const group of groupBy(
      faults,
      ({ section, subject, findings }) => `${section}\n${subject}\n${rulesOf([{ findings } as Fault]).join()}`,
    ).values()) {
      if (group.length > 1) this.add('texts', group)
      else rest.push(...group)
    }
    return rest
  }

  private takePictures(verdicts: readonly PageVerdict[]): void {
    const uses = new Map<string, { finding: Finding; url: string; section: string }[]>()
    for (const { url, section, findings } of verdicts) {
      for (const finding of findings.filter(isAboutPicture)) addTo(uses, finding.image!, { finding, url, section })
    }
    this.takeOutsidePath(uses)
    for (const [image, ofImage] of uses) {
      // A picture's finding is counted once, however many pages use it.
      const findings = [...new Map(ofImage.map(({ finding }) => [finding.rule, finding])).values()]
      const main = mainOf(findings)
      const sections = new Set(ofImage.map(({ section }) => section))
      const pages = [...new Set(ofImage.map(({ url }) => url))]
      this.causes.push({
        id: this.idFor(['picture', image]),
        kind: 'picture',
        rule: main.rule,
        rules: findings.map(({ rule }) => rule).sort(),
        level: worst(findings.map(({ level }) => level)),
        change: sentences(main),
        section: sections.size === 1 ? [...sections][0]! : '*',
        pages,
        clears: clearsOf(findings),
        evidence: ofImage.slice(0, EVIDENCE).map(({ url, finding }) => ({ url, line: finding.line, value: image })),
        snippet: null,
      })
    }
  }

  /** Pictures whose addresses all lack the site's path are one fault: the template that writes them has it. */
  private takeOutsidePath(uses: Map<string, { finding: Finding; url: string; section: string }[]>): void {
    const outside = [...uses].filter(([image]) => this.context.images.get(image)?.foundAt !== undefined)
    if (outside.length < 2) return
    for (const [image] of outside) uses.delete(image)
    const all = outside.flatMap(([, ofImage]) => ofImage)
    const findings = outside.map(([, ofImage]) => ofImage[0]!.finding)
    const { site } = this.context.addresses
    const [such] = outside[0]!
    const sections = new Set(all.map(({ section }) => section))
    this.causes.push({
      id: this.idFor(['picture', 'outside-path']),
      kind: 'picture',
      rule: findings[0]!.rule,
      rules: [...new Set(findings.map(({ rule }) => rule))].sort(),
      level: worst(findings.map(({ level }) => level)),
      change: `${outside.length} pictures are named outside of ${site}, where the build has them. Write the site’s path in front of each address: ${this.context.images.get(such)!.foundAt} instead of ${such}.`,
      section: sections.size === 1 ? [...sections][0]! : '*',
      pages: [...new Set(all.map(({ url }) => url))],
      clears: clearsOf(findings),
      evidence: all
        .slice(0, EVIDENCE)
        .map(({ url, finding }) => ({ url, line: finding.line, value: finding.image ?? '' })),
      snippet: null,
    })
  }

  /** Pages that say in one language what they say in another were never translated: one job, not one for each text. */
  private takeUntranslated(findings: readonly SiteFinding[]): SiteFinding[] {
    const untranslated = findings.filter(
      ({ rule, pages }) => SHARED_TEXTS.has(rule) && areLanguageVersions(pages, this.context),
    )
    if (untranslated.length < 2) return [...findings]
    const pages = [...new Set(untranslated.flatMap((finding) => finding.pages))]
    const rules = [...new Set(untranslated.map(({ rule }) => rule))].sort()
    this.causes.push({
      id: this.idFor(['site', 'untranslated']),
      kind: 'site',
      rule: rules.at(-1)!,
      rules,
      level: worst(untranslated.map(({ level }) => level)),
      change: `${untranslated.length} titles and descriptions are the same in several languages. Translate them on the pages that were left behind.`,
      section: '*',
      pages,
      clears: clearsOf(untranslated),
      evidence: pages.slice(0, EVIDENCE).map((url) => ({ url, line: null, value: null })),
      snippet: null,
    })
    return findings.filter((finding) => !untranslated.includes(finding))
  }

  private takeSite(findings: readonly SiteFinding[]): void {
    for (const finding of this.takeUntranslated(findings)) {
      this.causes.push({
        id: this.idFor(['site', finding.rule]),
        kind: 'site',
        rule: finding.rule,
        rules: [finding.rule],
        level: finding.level,
        change: sentences(finding),
        section: '*',
        pages: finding.pages,
        clears: clearsOf([finding]),
        evidence: finding.pages.slice(0, EVIDENCE).map((url) => ({ url, line: null, value: null })),
        snippet: null,
      })
    }
  }

  /** A page that a script is to fill lacks everything for that one reason. */
  private takeShells(faults: readonly Fault[]): Fault[] {
    const isShell = (fault: Fault) => fault.findings.some(({ rule }) => rule === 'tag-from-script')
    const shells = new Set(faults.filter(isShell).map(({ page }) => page.url))
    const ofShells = faults.filter(({ page }) => shells.has(page.url))
    for (const group of groupBy(ofShells, ({ section }) => section).values()) {
      // The fault that names the reason speaks for the others.
      this.add('shell', [...group.filter(isShell), ...group.filter((fault) => !isShell(fault))])
    }
    return faults.filter(({ page }) => !shells.has(page.url))
  }

  find(verdicts: readonly PageVerdict[], site: readonly SiteFinding[]): Cause[] {
    this.takePictures(verdicts)
    const left = this.takeTexts(
      this.takeOdd(
        this.takeTemplates(this.takeSameValues(this.takeForms(this.takeShells(faultsOf(verdicts, this.context))))),
      ),
    )
    for (const ofPage of groupBy(left, ({ page }) => page.url).values()) this.add('page', ofPage)
    this.takeSite(site)
    return this.causes.sort(inOrder)
  }
}

/** What stands most in the way first. */
function inOrder(a: Cause, b: Cause): number {
  return (
    byLevel(a, b) || b.clears[a.level] - a.clears[b.level] || b.pages.length - a.pages.length || (a.id < b.id ? -1 : 1)
  )
}

/**
 * Findings by the change that would clear them: every finding belongs to exactly one cause. In one pass over the faults
 * with indexes; no page is compared with another.
 */
export function findCauses(
  context: CheckContext,
  pages: readonly PageVerdict[],
  site: readonly SiteFinding[],
): Cause[] {
  return new CauseFinder(context, pages).find(pages, site)
}
