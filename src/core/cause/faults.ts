import type { CheckContext, PageVerdict, Subject } from '../check'
import type { Finding, GatheredPage, MetaFact } from '../model'
import { groupBy, isBlank } from '../text'
import { emitterOf } from './emitter'
import { isAboutPicture, isBeside, isOfForm, subjectOf, tagLackedBy, tagOf } from './subject'

/**
 * How the tag in question looks. `absent`: it is not there. `blank`: it is there and says nothing. `same`: it says what
 * other pages say as well. `form`: whatever it says, the way it is written is wrong. `own`: it says something of the
 * page's own.
 */
type Shape = 'absent' | 'blank' | 'same' | 'form' | 'own'

/** What is wrong with one thing on one page, with all the findings that it raises. */
export type Fault = {
  page: GatheredPage
  section: string
  subject: Subject
  shape: Shape
  /** The tag it shows in, as it is written; null where it is absent. */
  tag: MetaFact | null
  /** Who wrote it, as a comment above says; null where nothing does. */
  emitter: string | null
  findings: Finding[]
}

/** Values that so many pages share were written once, by a template or a setting. */
const SHARED_BY = 3

function sharedValues(context: CheckContext): ReadonlySet<string> {
  const counts = new Map<string, number>()
  for (const { facts } of context.readable) {
    for (const said of new Set(facts.metas.map(({ key, value }) => `${key}\n${value ?? ''}`)))
      counts.set(said, (counts.get(said) ?? 0) + 1)
  }
  return new Set([...counts].filter(([, count]) => count >= SHARED_BY).map(([said]) => said))
}

function shapeOf(findings: readonly Finding[], tag: MetaFact | null, shared: ReadonlySet<string>): Shape {
  if (findings.every(isBeside)) return 'absent'
  if (findings.every(isOfForm)) return 'form'
  if (tag) {
    if (isBlank(tag.value)) return 'blank'
    return shared.has(`${tag.key}\n${tag.value ?? ''}`) ? 'same' : 'own'
  }
  return findings.some(({ rule, line }) => line === null && tagLackedBy(rule) !== undefined) ? 'absent' : 'own'
}

/** Findings of pages as faults: what is wrong with one thing is one fault, however many checks see it. */
export function faultsOf(verdicts: readonly PageVerdict[], context: CheckContext): Fault[] {
  const shared = sharedValues(context)
  const pages = new Map(context.pages.map((page) => [page.url, page]))
  return verdicts.flatMap(({ url, section, findings }) => {
    const page = pages.get(url)!
    const own = findings.filter((finding) => !isAboutPicture(finding))
    // One change mends one thing: what another change mends is another fault, of the same tag too.
    const bySubject = groupBy(own, (finding) => {
      const subject = subjectOf(finding, tagOf(finding, page.facts))
      const isApart = isOfForm(finding) || isBeside(finding)
      return isApart ? `${subject} ${finding.rule}` : subject
    })
    return [...bySubject].map(([key, ofSubject]): Fault => {
      const subject = key.split(' ')[0] as Subject
      const tags = ofSubject.flatMap((finding) => tagOf(finding, page.facts) ?? [])
      // A blank tag explains what else is said of it.
      const tag = tags.find(({ value }) => isBlank(value)) ?? tags[0] ?? null
      const shape = shapeOf(ofSubject, tag, shared)
      const seen = shape === 'absent' ? null : tag
      return { page, section, subject, shape, tag: seen, emitter: seen && emitterOf(page, seen), findings: ofSubject }
    })
  })
}
