import { pathOf } from '@/core/address'
import {
  askedAbout,
  lastAnswers,
  type PersonQuestion,
  type Requirements,
  type SeenCard,
  stillStands,
} from '@/core/requirements'
import { sampleSections } from '@/core/section'
import { ownEntry } from '@/core/text'
import type { WallRow } from '@/store/database'

/** One question about one card. `section`: it is asked of all its pages, by this one. */
export type Asked = { question: PersonQuestion; page: string; row: WallRow; section: string; seen: string }

/** Sections that are asked about: those with most in the way, then the largest. No one answers more at one sitting. */
const MAX_SECTIONS = 12

/** Path of a page as answers name it. */
export const pathOfRow = ({ url }: WallRow) => pathOf(url).split('?')[0]!

/** What a person sees of a page's card on a place; null where there is none, or nothing but an address. */
export function seenOn(row: WallRow, surface: string, hashOf: (url: string) => string | null): SeenCard | null {
  const face = row.faces[surface]
  if (!face || face.layout === 'bare' || face.layout === 'not-listed') return null
  const { title, description, image } = face
  return { title, description, picture: image && (hashOf(image) ?? image) }
}

/**
 * Questions that only a person can answer, of the cards that stand for each section: is it the right picture, does the
 * title say what the page is; and once a section, is the tone right. What was answered and still shows the same is not
 * asked again.
 */
export function questionsToAsk(
  rows: readonly WallRow[],
  { answers = [], sections = {} }: Pick<Requirements, 'answers' | 'sections'>,
  surface: string,
  hashOf: (url: string) => string | null,
): Asked[] {
  const last = lastAnswers(answers)
  const byPath = new Map(rows.map((row) => [pathOfRow(row), row]))
  /** Was the section answered for, by whichever of its pages, and does that page show what it showed? */
  const isAnsweredFor = (section: string) =>
    [...last.values()].flat().some((answer) => {
      const row = answer.section === section ? byPath.get(answer.page) : undefined
      const card = row ? seenOn(row, surface, hashOf) : null
      return card !== null && stillStands(answer, card)
    })
  // Of pages that are never shared no card is asked about.
  const shared = rows.filter(({ section }) => ownEntry(sections, section)?.kind !== 'not-shared')
  return sampleSections(shared)
    .slice(0, MAX_SECTIONS)
    .flatMap(({ section, samples }) => {
      // The tone of a section is asked by the page that is most like the others.
      const toneBy = (samples.find(({ kind }) => kind === 'typical') ?? samples.at(-1))?.kind
      return samples.flatMap(({ kind, page: row }): Asked[] => {
        const card = seenOn(row, surface, hashOf)
        if (!card) return []
        const page = pathOfRow(row)
        const questions: PersonQuestion[] = [
          ...(card.picture === null ? [] : ['picture' as const]),
          'title',
          ...(kind === toneBy && !isAnsweredFor(section) ? ['tone' as const] : []),
        ]
        const isAnswered = (question: PersonQuestion) =>
          last.get(page)?.some((answer) => answer.question === question && stillStands(answer, card)) ?? false
        return questions
          .filter((question) => !isAnswered(question))
          .map((question) => ({ question, page, row, section, seen: askedAbout(question, card) }))
      })
    })
}
