import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { DESCRIPTIONS, eachTextOnce, type PageText, textsOf } from '../page-texts'
import { starterTitleIn, unresolvedIn } from '../placeholder'
import { STARTER_DESCRIPTIONS, TOOLS } from '../starter-texts'

/** `Created with Vite`, and nothing more: what a page is made with is no description where the tool wrote it. */
const MADE_BY = /^(?:created|generated|made|built|powered) (?:with|by|using) ([^.]{1,40}?)\.?$/i

const isByTool = (text: string) => TOOLS.has(MADE_BY.exec(text)?.[1]?.toLowerCase() ?? '')

const starterIn = ({ text }: PageText): string | null => {
  const plain = text.toLowerCase()
  const isStarter = STARTER_DESCRIPTIONS.has(plain) || STARTER_DESCRIPTIONS.has(plain.replace(/\.$/, ''))
  const title = starterTitleIn(text, text)
  if (title?.proves) return title.seen
  return isStarter || title?.isNumbered || isByTool(text) ? text : null
}

/** Tags whose values are checked by title-placeholder, or are no text. */
const ELSEWHERE = /^(?:(?:og|twitter):title|og:site_name|application-name|charset|viewport)$/

export const descriptionPlaceholder = defineCheck({
  id: 'description-placeholder',
  label: 'template’s text',
  subject: 'description',
  isAboutSharing: true,
  family: 'text',
  level: 'error',
  scope: 'page',
  looksAt: 'description, og:description and twitter:description; in every other tag, what a template was to fill in.',
  why: 'A description that the template came with does not tell what the page is.',
  messages: {
    starter: {
      says: '{key} still says “{seen}”, as the template does.',
      fix: 'Write what this page is into {key}, line {line}.',
      anywhere: 'Write what this page is into {key}.',
      repair: { do: 'setTag', tag: '{key}' },
    },
    unresolved: {
      says: '{key} says “{seen}”, which the template was to fill in.',
      fix: 'Have the template write the value into {key}, line {line}.',
      anywhere: 'Have the template write the value into {key}.',
      repair: { do: 'setTag', tag: '{key}' },
    },
  },
  check({ facts }) {
    const texts = eachTextOnce(textsOf(facts, DESCRIPTIONS))
    const starters = texts.flatMap((text) => {
      const seen = starterIn(text)
      const { key, at } = text
      return seen === null ? [] : [{ message: 'starter', at, data: { key, seen, line: at?.line ?? 0 } }]
    })
    const described: ReadonlySet<string> = new Set(DESCRIPTIONS)
    const others = facts.metas.flatMap((meta) => {
      const { key, value, attribute, line } = meta
      if (attribute === 'charset' || ELSEWHERE.test(key) || described.has(key) || isBlank(value)) return []
      const seen = unresolvedIn(value!)
      return seen === null ? [] : [{ message: 'unresolved', at: meta, data: { key, seen, line } }]
    })
    return [...starters, ...others]
  },
})
