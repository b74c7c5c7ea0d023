import { defineCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'
import { alternatesOf } from '../language-versions'

export const alternateBroken = defineCheck({
  id: 'alternate-broken',
  label: 'language link broken',
  subject: 'language',
  family: 'access',
  level: 'warning',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'Links to the page in other languages (hreflang), there and back.',
  why: 'A pair of which one half is missing, or does not point back, is not taken for a pair.',
  messages: {
    dead: {
      says: 'The {language} version, {url}, is not there.',
      fix: 'Correct the address on line {line}, or leave the link out.',
      anywhere: 'Correct the address, or leave the link out.',
      repair: { do: 'removeLink' },
    },
    oneWay: {
      says: 'The {language} version, {url}, does not link back to this page.',
      fix: 'Let both pages name each other: add the link there.',
      repair: { do: 'askPerson', needs: 'a link back from the other language’s page' },
    },
  },
  check(page, context) {
    return alternatesOf(page, context).flatMap(({ link, url }) => {
      const found = knownPage(url, context)
      const data = { language: link.hreflang!, url, line: link.line }
      if (found.kind === 'dead' || (found.kind === 'page' && !isAlive(found.page)))
        return [{ message: 'dead', at: link, level: 'error' as const, data }]
      if (found.kind !== 'page' || found.page.url === page.url) return []
      const isBack = alternatesOf(found.page, context).some((back) => {
        const target = knownPage(back.url, context)
        return target.kind === 'page' && target.page.url === page.url
      })
      // A link there that leads nowhere is told there.
      const isTried = alternatesOf(found.page, context).some((back) => {
        const target = knownPage(back.url, context)
        return target.kind === 'dead' && back.link.hreflang?.toLowerCase() === page.facts.language?.toLowerCase()
      })
      return isBack || isTried ? [] : [{ message: 'oneWay', at: link, data }]
    })
  },
})
