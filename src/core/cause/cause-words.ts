import { checkOf, inWords as inFindingWords } from '../check'
import type { Finding } from '../model'
import { sectionName } from '../section'
import { listed as allOf, ownEntry, plural } from '../text'
import type { Plan, PlannedEdit } from './plan'

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)

/** `a, b and c`; long lists are counted out. */
export function listed(items: readonly string[], most = 7): string {
  const named = items.length > most ? [...items.slice(0, most - 1), `${items.length - most + 1} more`] : items
  return allOf(named)
}

const shortened = (text: string, most = 90) => (text.length > most ? `${[...text].slice(0, most).join('')}…` : text)

const pathOf = (url: string, site: string) => (url.startsWith(site) ? `/${url.slice(site.length)}` : url)

/** What a rule's names stand for, as people say it. */
const NAMES: Readonly<Record<string, string>> = {
  '{page}': 'the page’s own address',
  '{page}, without its slash': 'the page’s own address, without its slash',
  '{title}': 'the page’s title',
  '{title’s own part}': 'the page’s own part of its title',
  '{heading}': 'its heading',
  '{description}': 'its description',
  '{paragraph}': 'its own first paragraph',
  '{og:title}': 'its og:title',
  '{og:description}': 'its og:description',
  '{language}': 'the language of each page',
  '{locale}': 'the language and territory of each page, as in en_GB',
  '{width}': 'the width of the picture’s file',
  '{height}': 'the height of the picture’s file',
  '{content picture}': 'the picture that its content shows',
  '{content alt}': 'the text that its content gives the picture',
  '{of the page’s own}': 'each page’s own',
}

/** A side of a rule in words: what it stands for, or the value itself. */
function inWords(side: string): string {
  return ownEntry(NAMES, side) ?? (side.startsWith('{rest}') || side.endsWith('{rest}') ? side : `“${shortened(side)}”`)
}

/** Where the edits are made, as the subject of a sentence. */
function placeOf({ scope: { where, sections, trait } }: Plan, pages: readonly string[], site: string): string {
  switch (where) {
    case 'site':
      return 'the site’s settings'
    case 'layout':
      return trait ? `the layout of ${trait}` : 'the layout that all pages share'
    case 'section':
      return sections.length === 1
        ? `the template of ${sectionName(sections[0]!)}`
        : `the templates of ${listed(sections.map(sectionName), 4)}`
    case 'server':
      return 'the server'
    default:
      return pages.length === 1 ? pathOf(pages[0]!, site) : plural(pages.length, 'page')
  }
}

const tagsOf = (edits: readonly PlannedEdit[]) => [...new Set(edits.map(({ tag }) => tag))]

/** Tags of which it is told what they should say; the edits tell it of more. */
const MAX_TOLD = 3

/** What is left out, or empty: the tags, and what each is to say. */
function lacksSentence(
  edits: readonly PlannedEdit[],
  who: string,
  many: boolean,
  share: string,
  { faulty, pages }: { faulty: number; pages: number },
): string {
  const empty = edits.filter(({ rule }) => rule.from === '')
  const absent = edits.filter(({ rule }) => rule.from !== '')
  const verb = (single: string, plural: string) => (many ? plural : single)
  const parts = [
    empty.length > 0 ? `${verb('writes', 'write')} ${listed(tagsOf(empty))} empty` : '',
    absent.length > 0 ? `${verb('leaves', 'leave')} out ${listed(tagsOf(absent))}` : '',
  ].filter(Boolean)
  const written = edits.length > MAX_TOLD ? [] : edits
  const part = faulty > pages ? ` It can be filled from the page on ${pages} of them.` : ''
  const filled = written.flatMap(({ tag, rule: { to } }) =>
    to === null || to === '{needed}' ? [] : [`${tag}: ${inWords(to)}`],
  )
  const left = edits.filter(({ rule: { to } }) => to === null).map(({ tag }) => tag)
  const out = left.length > 0 ? ` Leave out ${listed(left)}.` : ''
  return `${who} ${parts.join(' and ')}${share}.${part}${filled.length > 0 ? ` Write ${filled.join('; ')}.` : edits.length > MAX_TOLD && part === '' ? ' Each can be written from the page.' : ''}${out}`
}

function changeSentence({ tag, rule: { from, to } }: PlannedEdit, who: string, many: boolean, share: string): string {
  const verb = many ? 'have' : 'has'
  const seen = from === null || from === '{value}' ? '' : ` as ${inWords(from)}`
  const what = from === '{value}' && to !== null && to !== '{needed}' ? `the wrong ${tag}` : tag
  const now = `${who} ${verb} ${what}${seen}${share}.`
  if (to === null) return `${now} Leave it out.`
  if (to === '{needed}') return now
  return `${now} Write ${inWords(to)}.`
}

/** Edits of a single page: with what stands there and what is to stand there instead of the rule. */
function withValues({ edits, changes }: Plan): PlannedEdit[] {
  const own = [...changes.values()].flat()
  return edits.map((edit) => {
    const says = own.find(({ change }) => change.kind === 'say' && change.tag === edit.tag)
    if (says?.change.kind !== 'say' || says.needs !== null) return edit
    return { ...edit, rule: { from: says.from, to: says.change.value } }
  })
}

/**
 * What is so of all pages of a finding: its own words where all say the same, else what the check finds and the first
 * page as an example.
 *
 * @param who the pages, as the start of a sentence
 */
export function wordsOfMany(findings: readonly Finding[], who: string, pages: readonly string[], site: string): string {
  const [first] = findings
  const { message } = inFindingWords(first!)
  if (pages.length < 2) {
    const isOfPage = checkOf(first!.rule)?.scope === 'page' && pages[0] !== undefined && !message.includes(pages[0])
    return isOfPage ? `${pathOf(pages[0]!, site)}: ${message}` : message
  }
  const sameRule = findings.filter(({ rule, said }) => rule === first!.rule && said === first!.said)
  const isSame = sameRule.every((one) => inFindingWords(one).message === message)
  // What counts its pages itself needs no count in front.
  if (isSame) return /^\d/.test(message) ? message : `${who}: ${message}`
  const label = checkOf(first!.rule)?.label ?? first!.rule
  return `${who}: ${label}. On ${pathOf(pages[0]!, site)}: ${message}`
}

/**
 * What is to be done, in a sentence or two.
 *
 * @param mainFinding the gravest of the findings
 * @param faulty pages of the same sections that have such a finding, whether this change mends it or not
 */
export function sentenceFor(
  plan: Plan,
  pages: readonly string[],
  findings: readonly Finding[],
  mainFinding: Finding,
  site: string,
  faulty: number,
): string {
  const { scope, needs } = plan
  const main = inFindingWords(mainFinding)
  const sameRule = new Set(plan.edits.map(({ rule }) => `${rule.from}\n${rule.to}`)).size === 1
  // What one rule mends in several tags is told by its rule, on a single page too.
  const edits = pages.length === 1 && !(sameRule && plan.edits.length > 1) ? withValues(plan) : plan.edits
  const who = capital(placeOf(plan, pages, site))
  const many = who.startsWith('The templates') || /^\d+ pages/.test(who)
  const isTemplate = scope.where === 'layout' || scope.where === 'section'
  // The number is that of the fault; how many can be filled by themselves is told apart.
  const isLack = edits.every(({ kind, rule }) => kind === 'say' && (rule.from === null || rule.from === ''))
  // Pages that lack it for another reason are the template's as well.
  const of = scope.trait === null ? Math.max(scope.of, isLack ? faulty : pages.length) : scope.of
  const lacking = isTemplate && isLack ? Math.min(Math.max(faulty, pages.length), of) : pages.length
  const share = isTemplate
    ? ` on ${lacking === of ? 'all ' : `${lacking} of `}${plural(Math.max(of, lacking), 'page')}`
    : ''
  if (plan.pictures.length > 0 || plan.crawlers !== null || plan.hasNewIcon) return `${main.message} ${main.fix}`
  if (isLack) return lacksSentence(edits, who, many, share, { faulty: lacking, pages: pages.length })
  const first = edits[0]!
  if (needs.length > 0) {
    const tags = listed(tagsOf(edits))
    if (pages.length === 1) return `${who}: ${main.message} Rewrite ${tags}.`
    const alike = findings.filter(({ rule }) => rule === mainFinding.rule)
    return `${wordsOfMany(alike.length > 0 ? alike : [mainFinding], plural(pages.length, 'page'), pages, site)} Rewrite ${tags}.`
  }
  switch (first.kind) {
    case 'attribute':
      return `${who} ${many ? 'have' : 'has'} ${listed(tagsOf(edits))} under ${first.rule.from}${share}. Write ${first.rule.to}.`
    case 'rename':
      return `${who} ${many ? 'have' : 'has'} a tag called ${first.rule.from}${share}. Call it ${first.rule.to}.`
    case 'once':
      return `${who} ${many ? 'have' : 'has'} ${listed(tagsOf(edits))} twice${share}. Leave the second out${plan.emitter === null ? ': find what writes it.' : `: it stands beneath the comment “${plan.emitter}”, that is who writes it.`}`
    case 'earlier':
      return `${who}: ${main.message}${isTemplate ? ` So${share}.` : ''} ${main.fix}`
    case 'unlink':
    case 'share':
      return `${who}: ${main.message} ${main.fix}`
    default:
  }
  const rules = new Set(edits.map(({ rule }) => `${rule.from}\n${rule.to}`))
  if (edits.length > 1 && rules.size === 1)
    return changeSentence({ ...first, tag: listed(tagsOf(edits)) }, who, many, share)
  const sentences = edits.map((edit) => changeSentence(edit, who, many, share))
  return sentences.length > 3
    ? `${sentences.slice(0, 3).join(' ')} And ${edits.length - 3} tags more.`
    : sentences.join(' ')
}
