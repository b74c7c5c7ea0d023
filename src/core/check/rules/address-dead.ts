import type { GatheredPage, PageFacts } from '../../model'
import type { CheckContext } from '../context'
import { defineCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'
import { eachAddressOnce, ownAddresses } from '../own-addresses'
import { strayOf } from '../stray-address'

export const addressDead = defineCheck({
  id: 'address-dead',
  label: 'dead address',
  subject: 'address',
  alsoReads: ['picture'],
  family: 'access',
  level: 'error',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'Whether og:url and canonical lead to a page of this run.',
  why: 'Places follow og:url and show what they find there: nothing, when it is dead.',
  messages: {
    missing: {
      says: '{key}: {address} is not in the build.',
      fix: 'Write the page’s own address, {own}, on line {line}.',
      anywhere: 'Write the page’s own address, {own}.',
      repair: { do: 'setTag', tag: '{key}', to: '{own}' },
    },
    asks: {
      says: '{key}: {address} is not in the build. The page is {own} there.',
      fix: 'Either the page will live at {address}, and the build belongs there, or line {line} is wrong: then change it to {own}.',
      anywhere:
        'Either the pages will live there, and the build belongs there, or the tags are wrong: then change them to each page’s own URL.',
      repair: { do: 'askPerson', needs: 'a decision: where will the pages live?' },
    },
    answered: {
      says: '{key}: {address} answered {status}.',
      fix: 'Write the page’s own address, {own}, on line {line}.',
      anywhere: 'Write the page’s own address, {own}.',
      repair: { do: 'setTag', tag: '{key}', to: '{own}' },
    },
    redirects: {
      says: '{key}: {address} redirects to {to}.',
      fix: 'Write {to} on line {line}.',
      anywhere: 'Write {to}.',
      repair: { do: 'setTag', tag: '{key}', to: '{to}' },
    },
  },
  check(page, context) {
    return eachAddressOnce(ownAddresses(page)).flatMap((named) => {
      const { key, address, at } = named
      if (address === null || strayOf(named, page, context)) return []
      const found = knownPage(context.addresses.toPublic(address), context)
      const data = { key, address, own: page.url, line: at.line }
      if (found.kind === 'dead')
        return found.status === null
          ? [{ message: isKnownToLiveThere(page, context) ? 'missing' : 'asks', at, data }]
          : [{ message: 'answered', at, data: { ...data, status: found.status } }]
      if (found.kind === 'redirect')
        return [{ message: 'redirects', at, level: 'warning' as const, data: { ...data, to: found.page.url } }]
      if (found.kind !== 'page' || isAlive(found.page)) return []
      return [{ message: 'answered', at, data: { ...data, status: found.page.fetch.status ?? 'nothing' } }]
    })
  },
})

type Signs = { listed: ReadonlySet<string>; areMostOwn: boolean }
const signs = new WeakMap<CheckContext, Signs>()

/** What tells, beside the build, that its pages live where it has them. */
function signsOf(context: CheckContext): Signs {
  const known = signs.get(context)
  if (known) return known
  const canonicals = context.readable.flatMap((page) => {
    const own = ownAddresses(page).filter(({ key }) => key === 'canonical')
    return own.length === 0 ? [] : [own.some(({ address }) => isOwn(address, page, context))]
  })
  const made = {
    listed: new Set(context.gathering.survey?.sitemaps?.pages ?? []),
    areMostOwn: canonicals.filter(Boolean).length * 2 > canonicals.length,
  }
  signs.set(context, made)
  return made
}

const isOwn = (address: string | null, { url }: GatheredPage, { addresses }: CheckContext) =>
  address !== null && addresses.toPublic(address) === url

/** Does a sitemap, the page's other tag, or what most pages say of themselves agree with where the build has it? */
function isKnownToLiveThere(page: GatheredPage & { facts: PageFacts }, context: CheckContext): boolean {
  const { listed, areMostOwn } = signsOf(context)
  if (areMostOwn || listed.has(page.url)) return true
  return ownAddresses(page).some(({ address }) => isOwn(address, page, context))
}
