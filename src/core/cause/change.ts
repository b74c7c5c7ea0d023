import type { Subject } from '../check'
import { editFacts, type TagEdits } from '../draft'
import type { GatheredPage, MetaFact, PageFacts } from '../model'
import { attributeFor, subjectOfTag } from '../tag'

/**
 * One thing that an edit changes on one page. Tags go by their key; `title`, `canonical` and `html lang` are no metas.
 * `say`: the tag says this; null: it is left out. `attribute`: it stands under the attribute that places read. `rename`:
 * it is called otherwise. `once`: its repeats are left out. `earlier`: the tags stand at the top of the head. `unlink`:
 * a link goes. `share`: a share link shares another address.
 */
export type Change =
  | { kind: 'say'; tag: string; value: string | null }
  | { kind: 'attribute'; tag: string }
  | { kind: 'rename'; tag: string; to: string }
  | { kind: 'once'; tag: string }
  | { kind: 'earlier' }
  | { kind: 'unlink'; href: string; line: number; column: number }
  | { kind: 'share'; href: string; to: string; via: string | null; line: number; column: number }

/** What a change is about, apart from what it makes of it: two changes of one slot are one, with the final value. */
export function slotOf(change: Change): string {
  if (change.kind === 'earlier') return 'earlier'
  if (change.kind === 'unlink' || change.kind === 'share') return `${change.kind} ${change.line}:${change.column}`
  return `${change.kind} ${change.tag}`
}

/** What findings may hang on a change. */
export function subjectsOf(change: Change): readonly Subject[] {
  switch (change.kind) {
    case 'earlier':
      // A place that reads only the start of a page may see them all now.
      return ['head', 'title', 'description', 'picture', 'picture-text', 'card', 'address', 'type', 'language']
    case 'unlink':
      return ['language', 'access']
    case 'share':
      return ['share-links']
    case 'rename':
      return [subjectOfTag(change.tag), subjectOfTag(change.to)]
    default:
      return [subjectOfTag(change.tag)]
  }
}

const isNamed = ({ attribute }: MetaFact) => attribute === 'name' || attribute === 'property'

function withMetas(facts: PageFacts, change: Change): PageFacts['metas'] {
  if (change.kind === 'attribute') {
    const attribute = attributeFor(change.tag)
    return facts.metas.map((meta) => (meta.key === change.tag && isNamed(meta) ? { ...meta, attribute } : meta))
  }
  if (change.kind === 'rename') {
    const attribute = attributeFor(change.to)
    return facts.metas.map((meta) =>
      meta.key === change.tag && isNamed(meta) ? { ...meta, key: change.to, attribute } : meta,
    )
  }
  if (change.kind === 'once') {
    let hasOne = false
    return facts.metas.filter((meta) => {
      if (meta.key !== change.tag || !isNamed(meta)) return true
      const isFirst = !hasOne
      hasOne = true
      return isFirst
    })
  }
  return facts.metas
}

/** Where a tag stands that was moved to the top of the head: within what every place reads. */
const AT_TOP = { endByte: 900, inHead: true }

function atTheTop(facts: PageFacts): PageFacts {
  const texts = facts.at.title ? { ...facts.at, title: { ...facts.at.title, endByte: AT_TOP.endByte } } : facts.at
  const { headAgain: _, ...rest } = facts
  return {
    ...rest,
    metas: facts.metas.map((meta) => ({ ...meta, ...AT_TOP })),
    links: facts.links.map(({ inBody: __, ...link }) => ({ ...link, endByte: AT_TOP.endByte })),
    at: texts,
    headClosedBy: null,
  }
}

const isAt = (a: { line: number; column: number }, b: { line: number; column: number }) =>
  a.line === b.line && a.column === b.column

/** A share link's address with another page's in place of the one it shares. */
function sharing(href: string, to: string, via: string | null): string {
  const query = href.indexOf('?')
  if (query < 0) return href
  const values = new URLSearchParams(href.slice(query + 1))
  for (const [name, value] of values) if (/^https?:\/\//i.test(value)) values.set(name, to)
  if (via !== null && values.has('via')) values.set('via', via.replace(/^@/, ''))
  return `${href.slice(0, query)}?${values}`
}

/** The encoding is named by the first tag of the head. */
function withCharset(facts: PageFacts, value: string): PageFacts {
  const meta: MetaFact = { key: 'charset', attribute: 'charset', value, line: 1, column: 1, endByte: 50, inHead: true }
  return { ...facts, metas: [meta, ...facts.metas] }
}

function changed(facts: PageFacts, change: Change): PageFacts {
  switch (change.kind) {
    case 'say':
      return change.tag === 'charset' && change.value !== null ? withCharset(facts, change.value) : facts
    case 'earlier':
      return atTheTop(facts)
    case 'unlink':
      return { ...facts, links: facts.links.filter((link) => !isAt(link, change)) }
    case 'share':
      return {
        ...facts,
        shareLinks: (facts.shareLinks ?? []).map((link) =>
          isAt(link, change) ? { ...link, href: sharing(link.href, change.to, change.via) } : link,
        ),
      }
    default: {
      const metas = withMetas(facts, change)
      const described = metas.find((meta) => meta.key === 'description' && isNamed(meta) && meta.value?.trim())
      return { ...facts, metas, description: described?.value ?? null }
    }
  }
}

/** Names and attributes are put right before tags are written, and what is moved is moved last: the order is ours alone. */
const ORDER: Record<Change['kind'], number> = {
  rename: 0,
  attribute: 1,
  once: 2,
  unlink: 3,
  share: 4,
  say: 5,
  earlier: 6,
}

/** Facts of a page as they would be with these changes, in whatever order they are given. */
export function applyChanges(facts: PageFacts, changes: readonly Change[]): PageFacts {
  const inOrder = [...changes].sort((a, b) => ORDER[a.kind] - ORDER[b.kind])
  const before = inOrder.filter(({ kind }) => ORDER[kind] <= ORDER.say)
  const after = inOrder.filter(({ kind }) => ORDER[kind] > ORDER.say)
  const said = editFacts(before.reduce(changed, facts), tagEditsOf(changes))
  return after.reduce(changed, said)
}

/** What changes say, as drafts do: only tags that are written or left out. */
export function tagEditsOf(changes: readonly Change[]): TagEdits {
  const says = changes.filter(
    (change): change is Extract<Change, { kind: 'say' }> => change.kind === 'say' && change.tag !== 'charset',
  )
  // An og:image stands before what is said of it.
  const rank = ({ tag }: { tag: string }) => (tag === 'og:image' ? 0 : 1)
  return new Map(
    [...says].sort((a, b) => rank(a) - rank(b) || (a.tag < b.tag ? -1 : 1)).map(({ tag, value }) => [tag, value]),
  )
}

/** The page with these changes; one that could not be read stays as it is. */
export const changedPage = (page: GatheredPage, changes: readonly Change[]): GatheredPage =>
  page.facts && changes.length > 0 ? { ...page, facts: applyChanges(page.facts, changes) } : page
