import { metasOf } from '../surface'
import { isBlank } from '../text'
import { type CheckMeta, defineCheck, type PageCheck } from './define-check'

/** A check that one tag is there and says something. */
export function requiredTag(
  key: string,
  meta: Omit<CheckMeta, 'messages'> & { example: string; instead: string },
): PageCheck {
  const { example, instead, ...rest } = meta
  const fix = `Add ${example} to the head.`
  return defineCheck({
    ...rest,
    scope: 'page',
    messages: {
      absent: { says: `There is no ${key}. ${instead}`, fix, mend: { say: key } },
      empty: {
        says: `${key} is empty. ${instead}`,
        fix: 'Give line {line} a value: {example}.',
        anywhere: 'Give it a value: {example}.',
        mend: { say: key },
      },
    },
    check({ facts }) {
      const tags = metasOf(facts, key)
      if (tags.some((tag) => !isBlank(tag.value))) return []
      const tag = tags[0]
      return tag ? [{ message: 'empty', at: tag, data: { line: tag.line, example } }] : [{ message: 'absent' }]
    },
  })
}
