import type { CheckContext } from '../check'
import { firstValue } from '../surface'
import { addTo } from '../text'
import type { ReadPage } from './desk'
import type { Scope } from './plan'

/** From this share of the pages that a template makes on, the template is at fault; the others have it right by themselves. */
const TEMPLATE_SHARE = 0.8
/** What stands on this share of the pages of so many sections is written once, for all of them. */
const LAYOUT_SHARE = 0.5
const MIN_LAYOUT_SECTIONS = 3
/** One page shows no template. */
const MIN_TEMPLATE_PAGES = 2

/** What sets pages apart, beside their section, as people would say it. */
const TRAITS: readonly { of: (page: ReadPage) => string | null; words: (value: string) => string }[] = [
  { of: ({ facts }) => facts.language, words: (value) => `the pages in ${value}` },
  { of: ({ facts }) => firstValue(facts, 'og:type'), words: (value) => `the pages of the type ${value}` },
]

/** Tells where edits of these pages are made. */
export class Scopes {
  private readonly sizes = new Map<string, number>()
  private readonly byTrait: Map<string, number>[]

  constructor(private readonly context: CheckContext) {
    this.byTrait = TRAITS.map(() => new Map<string, number>())
    for (const page of context.readable) {
      const section = this.sectionOf(page.url)
      this.sizes.set(section, (this.sizes.get(section) ?? 0) + 1)
      TRAITS.forEach(({ of }, index) => {
        const value = of(page)
        const counts = this.byTrait[index]!
        if (value !== null) counts.set(value, (counts.get(value) ?? 0) + 1)
      })
    }
  }

  private sectionOf(url: string): string {
    return this.context.sections.get(url) ?? '/'
  }

  /** What these pages and no others have in common; null where nothing does. */
  private traitOf(pages: readonly ReadPage[]): string | null {
    for (const [index, { of, words }] of TRAITS.entries()) {
      const value = of(pages[0]!)
      if (value === null || this.byTrait[index]!.get(value) !== pages.length) continue
      if (pages.every((page) => of(page) === value)) return words(value)
    }
    return null
  }

  /**
   * Parts pages that one rule holds for by where it is written: the layout, sections' templates, single pages.
   *
   * @param others pages on which another rule holds for the same tag: they are no exceptions of this one
   */
  part<T extends { page: ReadPage }>(
    members: readonly T[],
    others: ReadonlySet<string>,
  ): { scope: Scope; members: T[] }[] {
    const bySection = new Map<string, T[]>()
    for (const member of members) addTo(bySection, this.sectionOf(member.page.url), member)
    const exempt = new Map<string, number>()
    for (const url of others) exempt.set(this.sectionOf(url), (exempt.get(this.sectionOf(url)) ?? 0) + 1)
    const sizeOf = (section: string) => (this.sizes.get(section) ?? 0) - (exempt.get(section) ?? 0)
    const all = this.context.readable.length - others.size
    const sizeWith = (sections: Iterable<string>) =>
      [...sections].reduce((sum, one) => sum + (this.sizes.get(one) ?? 0), 0)
    const whole = (of: number) => ({ where: 'layout' as const, sections: [...bySection.keys()], trait: null, of })
    // A section of several pages that has it right throughout shows that the layout has it right.
    const isSpared = [...this.sizes].some(
      ([section, size]) => size >= MIN_TEMPLATE_PAGES && !bySection.has(section) && !exempt.has(section),
    )
    const isOfOne = bySection.size === 1 && this.sizes.size > 1 && exempt.size === 0
    const isWhole = members.length >= MIN_TEMPLATE_PAGES && members.length >= TEMPLATE_SHARE * all
    if (isWhole && !isSpared && !isOfOne) {
      const trait = others.size === 0 ? null : this.traitOf(members.map(({ page }) => page))
      const isApart = others.size > 0 && [...bySection.keys()].every((section) => !exempt.has(section))
      const where = isApart && trait === null ? ('section' as const) : ('layout' as const)
      return [{ scope: { ...whole(sizeWith(bySection.keys())), where, trait }, members: [...members] }]
    }
    const together = [...bySection.keys()].reduce((sum, section) => sum + sizeOf(section), 0)
    if (bySection.size >= MIN_LAYOUT_SECTIONS && members.length >= LAYOUT_SHARE * together)
      return [{ scope: whole(sizeWith(bySection.keys())), members: [...members] }]
    const isFull = ([section, own]: [string, T[]]) =>
      own.length >= MIN_TEMPLATE_PAGES && own.length >= TEMPLATE_SHARE * sizeOf(section)
    const full = [...bySection].filter(isFull)
    const parts: { scope: Scope; members: T[] }[] = []
    if (full.length > 0) {
      const sections = full.map(([section]) => section)
      const of = sizeWith(sections)
      parts.push({
        scope: { where: 'section', sections, trait: null, of },
        members: full.flatMap(([, own]) => own),
      })
    }
    const rest = [...bySection].filter((entry) => !isFull(entry))
    if (rest.length > 0) {
      const left = rest.flatMap(([, own]) => own)
      const trait = left.length > 1 ? this.traitOf(left.map(({ page }) => page)) : null
      const of = sizeWith(rest.map(([section]) => section))
      const where = trait === null ? ('page' as const) : ('layout' as const)
      parts.push({ scope: { where, sections: rest.map(([section]) => section), trait, of }, members: left })
    }
    return parts
  }
}
