import { isKeptOut } from '../../surface'
import { defineCheck } from '../define-check'

export const pageNoindex = defineCheck({
  id: 'page-noindex',
  label: 'noindex',
  subject: 'access',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'Meta robots and the X-Robots-Tag header.',
  why: 'The page is left out of search results. Its cards elsewhere are not touched.',
  messages: {
    meta: {
      says: 'Line {line} keeps the page out of search: “{seen}”.',
      fix: 'Either the page is not meant to be found, or noindex on line {line} was left behind: then remove it.',
      anywhere: 'Either these pages are not meant to be found, or noindex was left behind: then remove it.',
      repair: { do: 'askPerson', needs: 'a decision: is the page meant to be found?' },
    },
    header: {
      says: 'The server keeps the page out of search: X-Robots-Tag: {seen}.',
      fix: 'Either the page is not meant to be found, or the header was left behind: then remove it.',
      repair: { do: 'askPerson', needs: 'a decision: is the page meant to be found?', where: 'server' },
    },
  },
  check(page) {
    if (!isKeptOut(page, 'Googlebot')) return []
    const tag = page.facts.metas.find(
      (meta) => /^(?:robots|googlebot)$/.test(meta.key) && /noindex|none/i.test(meta.value ?? ''),
    )
    if (tag) return [{ message: 'meta', at: tag, data: { line: tag.line, seen: tag.value ?? '' } }]
    return [{ message: 'header', data: { seen: page.fetch.robotsHeader ?? '' } }]
  },
})
