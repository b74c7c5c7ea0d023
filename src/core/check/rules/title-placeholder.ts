import type { Position } from '../../model'
import { metaCandidates } from '../../surface/candidates'
import { isBlank } from '../../text/collapse'
import { defineCheck } from '../define-check'
import { ownPart, placeholderIn } from '../placeholder'

const isHome = (url: string, site: string) => url === site || `${url}/` === site

export const titlePlaceholder = defineCheck({
  id: 'title-placeholder',
  family: 'text',
  level: 'error',
  scope: 'page',
  looksAt: 'The page’s own part of title, og:title and twitter:title, the site’s name left out.',
  why: 'A title that the template came with tells nobody what the page is.',
  messages: {
    starter: {
      says: '{key} still says “{seen}”, as the template does.',
      fix: 'Write what this page is into {key}, line {line}.',
    },
  },
  check({ url, facts }, { addresses }) {
    const name = metaCandidates(facts, 'og:site_name')[0]?.value ?? null
    const own =
      facts.title === null ? [] : [{ key: 'title', value: facts.title, at: facts.at.title as Position | null }]
    const tags = facts.metas
      .filter((meta) => meta.key === 'og:title' || meta.key === 'twitter:title')
      .map((meta) => ({ key: meta.key, value: meta.value ?? '', at: meta as Position | null }))
    return [...own, ...tags].flatMap(({ key, value, at }) => {
      if (isBlank(value)) return []
      const part = ownPart(value, name)
      const seen = placeholderIn(part, value)
      // The home page may say Home, beside the site's name.
      const isAllowed =
        isHome(url, addresses.site) && part !== value && /^(?:home|home page|homepage|welcome|index)$/i.test(part)
      return seen === null || isAllowed ? [] : [{ message: 'starter', at, data: { key, seen, line: at?.line ?? 0 } }]
    })
  },
})
