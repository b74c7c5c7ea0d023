import { addTo } from '../text'
import type { Answer, PersonQuestion } from './requirements'

/** What somebody sees of a card: texts as the place shows them, and the picture by its hash, else its address. */
export type SeenCard = { title: string; description: string; picture: string | null }

/** The part of a card that a question is about. */
export function askedAbout(question: PersonQuestion, { title, description, picture }: SeenCard): string {
  if (question === 'title') return title
  return question === 'tone' ? `${title}\n${description}` : (picture ?? '')
}

/** Whatever a question is asked of: a page, or a section by one of its pages. Of each there is one answer. */
export const subjectOfAnswer = ({ question, page, section }: Pick<Answer, 'question' | 'page' | 'section'>): string =>
  `${question} ${section ?? page}`

/** The last answer to each question, by the page's path: what was said later stands. */
export function lastAnswers(answers: readonly Answer[]): Map<string, Answer[]> {
  const last = new Map<string, Answer>()
  for (const answer of answers) {
    const key = subjectOfAnswer(answer)
    const known = last.get(key)
    if (!known || Date.parse(known.at) <= Date.parse(answer.at)) last.set(key, answer)
  }
  const byPage = new Map<string, Answer[]>()
  for (const answer of last.values()) addTo(byPage, answer.page, answer)
  return byPage
}

/** Does an answer still speak of what the card shows? */
export const stillStands = ({ question, seen }: Answer, card: SeenCard): boolean =>
  seen === undefined || seen === askedAbout(question, card)

/** Answers of two lists as one: of one question on one page the later stands, and of two at one time the first list's. */
export function mergedAnswers(own: readonly Answer[], others: readonly Answer[]): Answer[] {
  return [...lastAnswers([...others, ...own]).values()].flat()
}
