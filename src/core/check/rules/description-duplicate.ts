import { isKeptOut, metaCandidates } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { mayBeCompared, pagesThatShare, raiseShared } from '../duplicates'
import { placeholderIn } from '../placeholder'

export const descriptionDuplicate = defineCheck({
  id: 'description-duplicate',
  label: 'description shared',
  subject: 'description',
  isAboutSharing: true,
  family: 'text',
  level: 'warning',
  scope: 'site',
  looksAt: 'og:description, else description, of all pages but those kept out of search.',
  why: 'The same sentence under every link does not tell which one to open.',
  messages: {
    shared: {
      says: '{count} pages share one description: “{text}”',
      fix: 'Write a sentence of its own for each of these pages.',
      repair: { do: 'varyText', text: 'description' },
    },
  },
  check(context) {
    const { readable, ruleFor } = context
    const listed = readable.filter((page) => !isKeptOut(page, null) && mayBeCompared(ruleFor(page), 'description'))
    return raiseShared(
      pagesThatShare(
        listed,
        ({ facts }) => {
          const candidates = ['og:description', 'description'].flatMap((key) => metaCandidates(facts!, key))
          const text = candidates.find((candidate) => !isBlank(candidate.value))?.value ?? null
          // What the template was to fill in is told as that.
          return text !== null && placeholderIn(text, text) !== null ? null : text
        },
        context,
      ),
    )
  },
})
