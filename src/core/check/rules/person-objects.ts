import { pathOf } from '../../address'
import { type Answer, lastAnswers, type SeenCard, stillStands } from '../../requirements'
import { faceOf, mainPlace } from '../../surface'
import type { PageContext } from '../context'
import { defineCheck } from '../define-check'

/** Answers of a run's requirements by path, sorted out once. */
const known = new WeakMap<PageContext['requirements'], Map<string, Answer[]>>()

function answersOf({ requirements }: PageContext): Map<string, Answer[]> {
  const found = known.get(requirements) ?? lastAnswers(requirements.answers ?? [])
  known.set(requirements, found)
  return found
}

export const personObjects = defineCheck({
  id: 'person-objects',
  label: 'a person objects',
  family: 'text',
  level: 'error',
  scope: 'page',
  alsoReads: ['title', 'description', 'picture', 'card'],
  looksAt: 'What people answered to the questions at the desk, of the card in the wide feed.',
  why: 'Somebody looked at the card and said no.',
  messages: {
    picture: {
      says: '{by} says that this is not the right picture{note}.',
      fix: 'Choose another picture, or ask {by} to look again.',
      repair: { do: 'askPerson', needs: 'the right picture, or another answer' },
    },
    title: {
      says: '{by} says that the title does not tell what the page is{note}.',
      fix: 'Rewrite the title, or ask {by} to look again.',
      repair: { do: 'askPerson', needs: 'another title, or another answer' },
    },
    tone: {
      says: '{by} says that the tone is not right{note}.',
      fix: 'Rewrite title and description, or ask {by} to look again.',
      repair: { do: 'askPerson', needs: 'other words, or another answer' },
    },
    'tone-of-section': {
      says: '{by} says that the tone of {section} is not right{note}.',
      fix: 'Rewrite titles and descriptions of {section}, or ask {by} to look again.',
      repair: { do: 'askPerson', needs: 'other words, or another answer' },
    },
  },
  check(page, context) {
    const answers = answersOf(context).get(pathOf(page.url).split('?')[0]!)
    if (!answers?.some(({ answer }) => answer === 'no')) return []
    const place = mainPlace(context.allSurfaces)
    const card = context.cardOf(page, place)
    const { title, description, image } = faceOf(card, place)
    const picture = image && (context.images.get(image)?.hash ?? image)
    const seen: SeenCard = { title, description, picture }
    return answers.flatMap((answer) => {
      if (answer.answer === 'yes' || !stillStands(answer, seen)) return []
      const { question, by, note, section } = answer
      const { line, column } = question === 'picture' ? card.image : card.title
      const message = question === 'tone' && section ? 'tone-of-section' : question
      const data = { by, note: note ? `: “${note}”` : '', section: section ?? '' }
      return [{ message, at: line === null || column === null ? null : { line, column }, data }]
    })
  },
})
