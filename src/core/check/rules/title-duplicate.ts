import type { GatheredPage } from '../../model'
import { isKeptOut, mainPlace } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { mayBeCompared, pagesThatShare, raiseShared } from '../duplicates'
import { starterTitleIn } from '../placeholder'
import { pagesOfTemplatesTitle } from '../templates-title'

export const titleDuplicate = defineCheck({
  id: 'title-duplicate',
  label: 'title shared',
  subject: 'title',
  alsoReads: ['site-name'],
  family: 'text',
  level: 'warning',
  scope: 'site',
  looksAt: 'The titles that the wide feed shows, of all pages but those kept out of search.',
  why: 'Links to different pages that carry one title can’t be told apart.',
  messages: {
    shared: {
      says: '{count} pages are all called “{text}”.',
      fix: 'Give each of these pages a title of its own.',
      repair: { do: 'varyText', text: 'title' },
    },
  },
  check(context) {
    const place = mainPlace(context.allSurfaces)
    const listed = context.readable.filter(
      (page) => !isKeptOut(page, null) && mayBeCompared(context.ruleFor(page), 'title'),
    )
    const titleOf = (page: GatheredPage) => {
      const { text } = context.titleOf(page, place)
      const starter = text === null ? null : starterTitleIn(text, text)
      // A title that the template was to fill in is told as that.
      const isTemplates =
        starter?.proves || (isBlank(page.facts?.h1) && pagesOfTemplatesTitle(page.facts?.title ?? null, context) > 0)
      return starter && isTemplates ? null : text
    }
    return raiseShared(pagesThatShare(listed, titleOf, context))
  },
})
