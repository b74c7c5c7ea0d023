import type { PageFacts } from '../model'
import { metasOf } from '../surface'
import { isBlank } from '../text'
import { type CheckMeta, defineCheck, type PageCheck } from './define-check'
import { meantKey, runsOn } from './misspelled'

/** A check that one tag is there and says something. */
export function requiredTag(
  key: string,
  meta: Omit<CheckMeta, 'messages'> & {
    example: string
    instead: string
    /** Another check tells it where this holds. */
    unless?: (facts: PageFacts) => boolean
  },
): PageCheck {
  const { example, instead, unless = () => false, ...rest } = meta
  const fix = `Add ${example} to the head.`
  return defineCheck({
    ...rest,
    scope: 'page',
    messages: {
      absent: { says: `There is no ${key}. ${instead}`, fix, repair: { do: 'setTag', tag: key } },
      empty: {
        says: `${key} is empty. ${instead}`,
        fix: 'Give line {line} a value: {example}.',
        anywhere: 'Give it a value: {example}.',
        repair: { do: 'setTag', tag: key },
      },
    },
    check({ facts }) {
      const tags = metasOf(facts, key)
      if (tags.some((tag) => !isBlank(tag.value))) return []
      const tag = tags[0]
      // What stands there under a misspelled key, or behind a quote that is not closed, is told as that.
      if (unless(facts) || (!tag && isMisspelledIn(facts, key))) return []
      return tag ? [{ message: 'empty', at: tag, data: { line: tag.line, example } }] : [{ message: 'absent' }]
    },
  })
}

const isMisspelledIn = ({ metas }: PageFacts, key: string) =>
  metas.some(
    (meta) =>
      runsOn(meta) ||
      ((meta.attribute === 'name' || meta.attribute === 'property') &&
        !isBlank(meta.value) &&
        meantKey(meta.key) === key),
  )
