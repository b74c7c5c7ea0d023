import { type CheckContext, ownPart } from '../check'
import { metaHtml } from '../draft'
import type { GatheredPage } from '../model'
import { firstValue } from '../surface'
import { escapeAttribute, escapeText } from '../text'
import type { Fault } from './faults'
import { missingTags } from './words'

/** Stands where a person has to write. */
const TO_WRITE = '…'

/** What most pages of a section say their kind is; for a page alone by its depth. */
function usualType(page: GatheredPage, section: string, context: CheckContext): string {
  const counts = new Map<string, number>()
  for (const other of context.readable) {
    const type = context.sections.get(other.url) === section ? firstValue(other.facts, 'og:type') : null
    if (type) counts.set(type, (counts.get(type) ?? 0) + 1)
  }
  const usual = [...counts].sort(([, a], [, b]) => b - a)[0]?.[0]
  return usual ?? (/\/.+\/./.test(new URL(page.url).pathname) ? 'article' : 'website')
}

function valueFor(key: string, page: GatheredPage, siteName: string | null, type: string): string {
  const { facts } = page
  switch (key) {
    case 'og:title':
      return ownPart(facts?.title || facts?.h1 || TO_WRITE, siteName)
    case 'title':
      return facts?.h1 || TO_WRITE
    case 'og:description':
      return facts?.description || facts?.firstParagraph || TO_WRITE
    case 'description':
      return firstValue(facts!, 'og:description') ?? facts?.firstParagraph ?? TO_WRITE
    case 'og:url':
    case 'canonical':
      return page.url
    case 'og:type':
      return type
    case 'twitter:card':
      return 'summary_large_image'
    case 'og:site_name':
      return siteName ?? TO_WRITE
    case 'og:image':
      return new URL('/img/…', page.url).href.replace('%E2%80%A6', TO_WRITE)
    default:
      return TO_WRITE
  }
}

function tagFor(key: string, value: string): string {
  if (key === 'title') return `<title>${escapeText(value)}</title>`
  if (key === 'canonical') return `<link rel="canonical" href="${escapeAttribute(value)}">`
  return key === 'html lang' ? '<html lang="en">' : metaHtml(key, value)
}

/** Tags that would mend these faults, filled in for the first page; null where no tag is lacking or empty. */
export function snippetFor(faults: readonly Fault[], context: CheckContext): string | null {
  const page = faults[0]!.page
  if (!page.facts) return null
  const blank = faults.flatMap(({ shape, tag }) => (shape === 'blank' && tag ? [tag.key] : []))
  const keys = [...new Set([...blank, ...missingTags(faults)])]
  if (keys.length === 0) return null
  const names = context.readable.flatMap(({ facts }) => firstValue(facts, 'og:site_name') ?? [])
  const type = usualType(page, faults[0]!.section, context)
  return keys.map((key) => tagFor(key, valueFor(key, page, names[0] ?? null, type))).join('\n')
}
