import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

const ADDRESS = /^(?:https?:\/\/|www\.)|^[a-z0-9-]+(?:\.[a-z0-9-]+)*\.[a-z]{2,}\/?$/i

/** Is a name no name but a URL, or a host? */
export const isAddress = (name: string): boolean => ADDRESS.test(name)

export const siteNameIsAddress = defineCheck({
  id: 'site-name-is-address',
  label: 'site name is an address',
  subject: 'site-name',
  isAboutSharing: true,
  family: 'text',
  level: 'warning',
  scope: 'page',
  looksAt: 'og:site_name.',
  why: 'An address in the place of a name says nothing that the link does not.',
  messages: {
    address: {
      says: 'og:site_name is an address: {seen}.',
      fix: 'Write the name of the site as people say it; line {line}.',
      anywhere: 'Write the name of the site as people say it.',
      repair: { do: 'setTag', tag: 'og:site_name' },
    },
  },
  check({ facts }) {
    return textsOf(facts, ['og:site_name']).flatMap(({ text, at }) =>
      isAddress(text) ? [{ message: 'address', at, data: { seen: text, line: at?.line ?? 0 } }] : [],
    )
  },
})
