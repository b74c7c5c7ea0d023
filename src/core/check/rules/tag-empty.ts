import type { PageFacts } from '../../model'
import { metasOf } from '../../surface'
import { isKnownKey } from '../../tag'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { lacksDescription } from '../page-texts'

/** Tags that have a check of their own, which tells an empty one as well. */
const REQUIRED = new Set([
  'og:title',
  'og:image',
  'og:type',
  'og:url',
  'og:description',
  'twitter:card',
  'og:site_name',
])

function isToldAsMissing(facts: PageFacts, key: string): boolean {
  if (key === 'description') return lacksDescription(facts)
  // So does the check of alternative texts, where there is an image.
  if (/^(?:og|twitter):image:alt$/.test(key) && metasOf(facts, 'og:image').some((tag) => !isBlank(tag.value)))
    return true
  return REQUIRED.has(key) && metasOf(facts, key).every((tag) => isBlank(tag.value))
}

export const tagEmpty = defineCheck({
  id: 'tag-empty',
  label: 'empty tag',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Every tag that places read.',
  why: 'An empty tag counts as absent. Mostly a template writes it without asking whether there is a value.',
  messages: {
    empty: {
      says: '{key} has no value.',
      fix: 'Give {key} on line {line} a value, or leave the tag out.',
      anywhere: 'Give {key} a value, or leave the tag out.',
      repair: { do: 'fillTag', tag: '{key}' },
    },
  },
  check({ facts }) {
    return facts.metas
      .filter(
        (meta) =>
          (meta.attribute === 'name' || meta.attribute === 'property') &&
          isKnownKey(meta.key) &&
          isBlank(meta.value) &&
          !isToldAsMissing(facts, meta.key),
      )
      .map((meta) => ({ message: 'empty', at: meta, data: { key: meta.key, line: meta.line } }))
  },
})
