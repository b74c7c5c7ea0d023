import { type FindingWords, inWords } from '../check'
import { sectionName } from '../section'
import type { CauseKind } from './cause'
import type { Fault } from './faults'
import { tagLackedBy } from './subject'

/** What a cause's sentence is made of. `of`: pages of the sections concerned. */
export type CauseParts = {
  kind: CauseKind
  main: FindingWords
  /** What mends it, said for all of the pages. */
  fixForAll: string
  faults: readonly Fault[]
  pages: readonly string[]
  section: string
  of: number
  site: string
}

const pathOf = (url: string, site: string) => (url.startsWith(site) ? `/${url.slice(site.length)}` : url)
const pagesInWords = (count: number) => `${count} page${count === 1 ? '' : 's'}`

/** Tags that these faults lack, each once, in the order of their weight. */
export function missingTags(faults: readonly Fault[]): string[] {
  const tags = faults.flatMap(({ findings }) => findings.flatMap(({ rule }) => tagLackedBy(rule) ?? []))
  return [...new Set(tags)]
}

/** `a, b and c`; long lists are counted out. */
function listed(items: readonly string[], most = 6): string {
  const named = items.length > most ? [...items.slice(0, most - 1), `${items.length - most + 1} more`] : items
  return named.length < 2 ? (named[0] ?? '') : `${named.slice(0, -1).join(', ')} and ${named.at(-1)}`
}

const shortened = (text: string, most = 60) => (text.length > most ? `${[...text].slice(0, most).join('')}…` : text)

/** The template that writes these pages. */
const templateOf = (section: string) =>
  section === '*' ? 'the layout that the sections share' : `the template of ${sectionName(section)}`

function templateSentence({ faults, pages, section, of, main, fixForAll }: CauseParts): string {
  const share = `${pages.length} of ${pagesInWords(of)}`
  const blank = faults.find(({ shape }) => shape === 'blank')?.tag
  if (blank)
    return `${capital(templateOf(section))} writes ${blank.key} empty: ${share}. Fill it from the page, or leave the tag out.`
  const missing = missingTags(faults)
  if (missing.length > 0)
    return `${capital(templateOf(section))} leaves out ${listed(missing)}: ${share}. Let it write ${missing.length === 1 ? 'it' : 'them'}.`
  return `${capital(templateOf(section))}: ${main.message} So on ${share}. ${fixForAll}`
}

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)

function valueSentence({ faults, pages, main, fixForAll }: CauseParts): string {
  const { key, value } = faults[0]!.tag!
  return `${key} says “${shortened(value ?? '')}” on ${pagesInWords(pages.length)}: it is written once for all of them. ${main.message.startsWith(`${key} says`) ? '' : `${main.message} `}${fixForAll}`
}

function oddSentence({ faults, pages, section, of, main, site }: CauseParts): string {
  const missing = missingTags(faults)
  const blank = faults.find(({ shape }) => shape === 'blank')?.tag
  const what = missing.length > 0 ? listed(missing) : (blank?.key ?? null)
  if (what === null)
    return `${pathOf(pages[0]!, site)} differs from the other pages of ${sectionName(section)}. ${main.message} ${main.fix}`
  return `Nearly all of the ${of} pages of ${sectionName(section)} have ${what}; ${pathOf(pages[0]!, site)} ${blank && missing.length === 0 ? 'leaves it empty' : 'doesn’t'}. ${main.fix}`
}

/** What to change, in a sentence or two. */
export function sentenceFor(parts: CauseParts): string {
  const { kind, main, fixForAll, pages, section, site } = parts
  switch (kind) {
    case 'template':
      return templateSentence(parts)
    case 'value':
      return valueSentence(parts)
    case 'odd':
      return oddSentence(parts)
    case 'shell': {
      const found = parts.faults[0]!.findings.find(({ rule }) => rule === 'tag-from-script')
      const shell = found ? inWords(found) : main
      const who =
        pages.length === 1 ? pathOf(pages[0]!, site) : `${pagesInWords(pages.length)} of ${sectionName(section)}`
      return `${who}: ${shell.message} ${shell.fix}`
    }
    case 'texts':
      return `${capital(subjectWords(parts.faults[0]!))} of ${pagesInWords(pages.length)}${section === '*' ? '' : ` of ${sectionName(section)}`}, each its own. One of them: ${main.message} ${fixForAll}`
    default:
      return `${pathOf(pages[0]!, site)}: ${main.message} ${main.fix}`
  }
}

const SUBJECT_WORDS: Partial<Record<Fault['subject'], string>> = {
  title: 'the titles',
  description: 'the descriptions',
  picture: 'the pictures’ tags',
  'rich-data': 'the rich data',
  'share-links': 'the share links',
  address: 'the addresses',
  access: 'the answers',
}

const subjectWords = ({ subject }: Fault) => SUBJECT_WORDS[subject] ?? 'the tags'
