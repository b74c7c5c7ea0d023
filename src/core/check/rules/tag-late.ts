import type { PageFacts } from '../../model'
import { defineCheck } from '../define-check'

/** Where the last tag that feeds a card ends, in bytes from the start of the page. */
function lastByte({ facts }: { facts: PageFacts }): number {
  const ends = [facts.at.title, facts.at.h1, facts.at.firstParagraph].map((at) => at?.endByte ?? 0)
  return Math.max(
    0,
    ...ends,
    ...facts.metas.map(({ endByte }) => endByte),
    ...facts.contentImages.map((image) => image.endByte),
  )
}

export const tagLate = defineCheck({
  id: 'tag-late',
  label: 'tag too late',
  subject: 'head',
  isOf: 'form',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'How far into the page the tags stand, in bytes.',
  why: 'Some places read only the start of a page: what stands later is not seen.',
  messages: {
    late: {
      says: '{places} reads {kib} KiB and does not see {keys}.',
      fix: 'Move the tags before scripts and styles; line {line}.',
      anywhere: 'Move the tags before scripts and styles.',
      repair: { do: 'moveTagsUp' },
    },
  },
  check(page, context) {
    return context.surfaces.flatMap((surface) => {
      const reads = surface.readsBytes?.value
      if (reads === undefined || lastByte(page) <= reads) return []
      const card = context.cardOf(page, surface)
      const rungs = [...card.title.ladder, ...card.description.ladder, ...card.image.ladder]
      const late = rungs.filter(
        ({ outcome, from }) =>
          outcome === 'beyond-bytes' && (from.includes(':') || from === 'description' || from === 'title'),
      )
      const first = late[0]
      if (!first || first.line === null) return []
      const keys = [...new Set(late.map(({ from }) => from))].join(', ')
      const at = { line: first.line, column: first.column ?? 1 }
      return [{ message: 'late', at, data: { places: surface.name, kib: reads / 1024, keys, line: first.line } }]
    })
  },
})
