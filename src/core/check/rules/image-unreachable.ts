import type { GatheredPage, PageFacts } from '../../model'
import { isKeptOutByRobots } from '../../surface'
import type { PageContext } from '../context'
import { eachDeclaredImage } from '../declared-images'
import { defineCheck, type Raised } from '../define-check'
import { pictureTags } from '../own-addresses'
import { isStrayPicture } from '../stray-address'

const FAULTS_OF_THE_BYTES = new Set(['not-image', 'damaged', 'empty'])

export const imageUnreachable = defineCheck({
  id: 'image-unreachable',
  label: 'picture not found',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'Whether the pictures that the tags name can be fetched, by the places’ crawlers too.',
  why: 'Places then show no picture, or take one from the content.',
  messages: {
    unseen: {
      says: '{url} was not seen. {reason}',
      fix: 'Let it be seen, or accept it as it is.',
      repair: { do: 'askPerson', needs: 'the image where it can be seen' },
    },
    gone: {
      says: 'The picture {url} can’t be fetched. {reason}',
      fix: 'Put the picture there, or correct the address on line {line}.',
      anywhere: 'Put the picture there, or correct the address.',
      repair: { do: 'replaceImage', needs: 'the picture at that address' },
    },
    inline: {
      says: '{key} is an inline image (data:). No place shows it.',
      fix: 'Save the image as a file, and give its URL on line {line}.',
      anywhere: 'Save the image as a file, and give its URL.',
      repair: { do: 'setTag', tag: 'og:image' },
    },
    closed: {
      says: 'robots.txt keeps {tokens} from the image {url}: no image on {places}.',
      fix: 'Let them fetch the folder that share images lie in.',
      repair: { do: 'askPerson', needs: 'a robots.txt that lets them fetch the images', where: 'server' },
    },
    within: {
      says: 'The picture {url} lies outside of {site}; the build has it at {found}.',
      fix: 'Write {found} on line {line}: the site’s path belongs in front.',
      anywhere: 'Write {found}: the site’s path belongs in front.',
      repair: { do: 'setTag', tag: '{key}', to: '{found}' },
    },
  },
  check(page, context) {
    const inline = inlineImages(page)
    const reached = eachDeclaredImage(page, context, (image, { tag }) => {
      if (image.errorCode === null) return closedTo(image.url, page.url, context, tag.line)
      if (FAULTS_OF_THE_BYTES.has(image.errorCode)) return null
      // A URL that can't be meant is the fault, whatever is found at it.
      if (isStrayPicture(tag.value ?? '', image.url, page, context)) return null
      const { foundAt: found } = image
      const data = { url: image.url, key: tag.key, line: tag.line }
      return found
        ? { message: 'within', data: { ...data, site: context.addresses.site, found, reason: '' } }
        : { message: 'gone', data: { ...data, site: '', found: '', reason: image.error ?? '' } }
    })
    if (inline.length === 0) return reached
    return Array.isArray(reached) ? [...inline, ...reached] : inline
  },
})

/** Share images that stand in the tag itself. */
const inlineImages = (page: GatheredPage & { facts: PageFacts }): Raised[] =>
  pictureTags(page.facts)
    .filter(({ value }) => /^\s*data:/i.test(value ?? ''))
    .map((tag) => ({ message: 'inline', at: tag, data: { key: tag.key, line: tag.line } }))

/** An image that robots.txt keeps from crawlers which may fetch the page. */
function closedTo(url: string, page: string, { cards, surfaces }: PageContext, line: number) {
  if (cards.robots === null || cards.view !== 'standing') return null
  const isOut = (where: string, token: string) => isKeptOutByRobots(where, token, cards)
  const out = surfaces.filter(
    ({ token, isListing, picture }) =>
      token !== null && !isListing && picture !== null && isOut(url, token) && !isOut(page, token),
  )
  if (out.length === 0) return null
  const tokens = [...new Set(out.map(({ token }) => token!))].join(', ')
  return { message: 'closed', data: { url, line, tokens, places: out.map(({ name }) => name).join(', ') } }
}
