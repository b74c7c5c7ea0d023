import { pathForms } from '../address'
import type { RunNote } from '../model'
import { byNarrowness, pathMatcher, type Waiver } from '../requirements'
import { nearestWord } from '../text'
import type { CheckContext } from './context'

type Waived = { rule: string; waiver: { by: string; reason: string } }

/**
 * Requirements that hold for no page of a run: sections and waivers whose globs no page matches, sections all of whose
 * pages belong to narrower ones, waivers that nothing needs. Said, since their authors count on them. Of a run that
 * did not read all pages nothing can be said.
 *
 * @param waived findings that were waived, with what waived them
 * @param moved waivers that hold for a page which has another path now
 */
export function idleRequirements(
  context: CheckContext,
  waived: readonly Waived[],
  moved: readonly Waiver[] = [],
): RunNote[] {
  const { gathering, requirements, sections } = context
  if (gathering.incomplete.length > 0 || gathering.scope.length > 0) return []
  const missing = gathering.survey?.missing ?? []
  const paths = [...gathering.pages, ...missing].flatMap(({ url }) => pathForms(url, gathering.source.site))
  const names = [...new Set(sections.values())]
  const note = (path: (string | number)[], message: string): RunNote => ({ kind: 'requirements', path, message })
  const near = (glob: string, among: readonly string[]) => {
    const meant = nearestWord(glob, among)
    return meant === null ? '' : ` Is “${meant}” meant?`
  }
  const notes: RunNote[] = []
  const globs = Object.keys(requirements.sections ?? {})
  for (const glob of globs) {
    if (names.includes(glob)) continue
    const isMatch = pathMatcher(glob)
    const own = paths.filter(isMatch)
    if (own.length === 0) {
      const among = names.filter((name) => !globs.includes(name))
      notes.push(note(['sections', glob], `No page lies under “${glob}”: it asks nothing of any.${near(glob, among)}`))
      continue
    }
    const narrower = globs.filter((other) => other !== glob && byNarrowness(other, glob) <= 0)
    const takers = narrower.filter((other) => own.some(pathMatcher(other)))
    const by = takers.map((other) => `“${other}”`).join(', ')
    notes.push(note(['sections', glob], `All pages under “${glob}” belong to ${by}, so that it asks nothing of any.`))
  }
  for (const [index, waiver] of (requirements.waivers ?? []).entries()) {
    const { rule, pages, by, reason, until } = waiver
    if (until !== undefined && until < gathering.startedAt.slice(0, 10)) continue
    if (pages !== undefined && !moved.includes(waiver) && !paths.some(pathMatcher(pages))) {
      notes.push(
        note(
          ['waivers', index, 'pages'],
          `No page lies under “${pages}”: nothing is waived there.${near(pages, names)}`,
        ),
      )
      continue
    }
    if (waived.some((one) => one.rule === rule && one.waiver.by === by && one.waiver.reason === reason)) continue
    notes.push(note(['waivers', index], `Nothing has to be waived: no finding of ${rule} is left there.`))
  }
  return notes
}
