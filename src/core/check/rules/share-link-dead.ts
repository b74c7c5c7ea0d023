import { parseUrl } from '../../address'
import { firstValue } from '../../surface'
import { defineCheck, type Raised } from '../define-check'
import { isAlive, knownPage } from '../known-page'
import { placeholderIn } from '../placeholder'
import { readShareLink } from '../share-link'

/** A text that share links are prefilled with, without the address in it; null where there is none. */
function prefilled(href: string): string | null {
  const searchParams = parseUrl(href)?.searchParams
  if (!searchParams) return null
  const text = searchParams.get('text') ?? searchParams.get('title') ?? searchParams.get('summary')
  return text === null ? null : text.replace(/https?:\/\/\S+/gi, '').trim()
}

export const shareLinkDead = defineCheck({
  id: 'share-link-dead',
  label: 'dead share link',
  subject: 'share-links',
  alsoReads: ['title', 'picture'],
  family: 'rich-data',
  level: 'warning',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'What share links on the page hand on: whether it is there, has a card, and is worded.',
  why: 'A visitor who uses the button shares a dead link, or a template’s text.',
  messages: {
    dead: {
      says: 'A share link shares {seen}, which is not there.',
      fix: 'Put {own} into the link; line {line}.',
      anywhere: 'Put {own} into the link.',
      repair: { do: 'setShareUrl', to: '{own}' },
    },
    bare: {
      says: 'A share link shares {seen}, which has neither an og:title nor an og:image.',
      fix: 'Give that page its tags, or share {own}; line {line}.',
      anywhere: 'Give that page its tags, or share {own}.',
      repair: { do: 'setShareUrl', to: '{own}' },
    },
    placeholder: {
      says: 'A share link is prefilled with “{text}”, as the template has it.',
      fix: 'Fill in the page’s title; line {line}.',
      anywhere: 'Fill in the page’s title.',
      repair: { do: 'askPerson', needs: 'the page’s title in the share link' },
    },
  },
  check(page, context) {
    return (page.facts.shareLinks ?? []).flatMap((link): Raised[] => {
      const shared = readShareLink(link.href, page.url)
      const data = { line: link.line, own: page.url }
      const text = prefilled(link.href)
      const left = text === null || text === '' ? null : placeholderIn(text, text)
      if (left !== null) return [{ message: 'placeholder', at: link, data: { ...data, text: left } }]
      if (!shared?.address) return []
      const seen = context.addresses.toPublic(shared.address)
      const found = knownPage(seen, context)
      if (found.kind === 'dead' || (found.kind === 'page' && !isAlive(found.page)))
        return [{ message: 'dead', at: link, data: { ...data, seen } }]
      const facts = found.kind === 'page' && found.page.url !== page.url ? found.page.facts : null
      const isBare = facts && firstValue(facts, 'og:title') === null && firstValue(facts, 'og:image') === null
      return isBare ? [{ message: 'bare', at: link, data: { ...data, seen } }] : []
    })
  },
})
