import type { PageFacts, Position } from '../model'
import { isSingleValued } from '../tag'
import { addTo, collapseWhiteSpace, forLast, isBlank } from '../text'

/** A tag that says something, at its place. */
type SaidTag = Position & { value: string }

/** Tags of which a page, or a picture, has one, and that stand there more than once. */
export type Repeated = { key: string; tags: SaidTag[] }

const PICTURES = new Set(['og:image', 'og:image:url', 'og:image:secure_url'])
/** Of these a picture has one (Open Graph protocol). */
const OF_A_PICTURE = new Set(['og:image:width', 'og:image:height', 'og:image:alt', 'og:image:type'])

const ofLast = forLast<readonly Repeated[]>()

/**
 * Everything that stands on a page more often than it should: single-valued tags, canonical links, what describes one
 * picture, and one picture named several times. Blank tags are another check's.
 */
export const repeatedTags = (facts: PageFacts): readonly Repeated[] =>
  ofLast(facts, null, '', () => findRepeated(facts))

function findRepeated(facts: PageFacts): Repeated[] {
  const groups = new Map<string, SaidTag[]>()
  const seen = new Set<string>()
  const add = (group: string, value: string, { line, column }: Position) => {
    // One tag under both attributes is one tag.
    const place = `${line}:${column} ${group}`
    if (seen.has(place)) return
    seen.add(place)
    addTo(groups, group, { value, line, column })
  }
  let picture = 0
  for (const meta of facts.metas) {
    if ((meta.attribute !== 'name' && meta.attribute !== 'property') || isBlank(meta.value)) continue
    const value = collapseWhiteSpace(meta.value!)
    if (PICTURES.has(meta.key)) picture++
    if (isSingleValued(meta.key)) add(meta.key, value, meta)
    else if (OF_A_PICTURE.has(meta.key)) add(`${meta.key}\n${picture}`, value, meta)
    else if (meta.key === 'og:image') add(`${meta.key}\n${value}`, value, meta)
  }
  for (const link of facts.links)
    if (link.rel.split(' ').includes('canonical') && !isBlank(link.href)) add('canonical', link.href.trim(), link)
  return [...groups].flatMap(([group, tags]) => (tags.length > 1 ? [{ key: group.split('\n')[0]!, tags }] : []))
}
