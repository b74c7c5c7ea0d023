import { defineCheck } from '../define-check'
import { isStrayPicture } from '../stray-address'

/** Host without its first label, where it has three and more: a host of pictures beside the site's is the same site. */
function siteOf(url: string): string {
  const labels = new URL(url).hostname.replace(/^www\./, '').split('.')
  return labels.length > 2 ? labels.slice(-2).join('.') : labels.join('.')
}

export const imageElsewhere = defineCheck({
  id: 'image-elsewhere',
  label: 'picture elsewhere',
  subject: 'picture',
  family: 'image',
  level: 'note',
  scope: 'page',
  looksAt: 'The host of og:image and twitter:image.',
  why: 'A picture on another site may go or change without anybody here noticing.',
  messages: {
    elsewhere: {
      says: '{key} is on {host}, not on this site.',
      fix: 'Keep the picture on the site, unless {host} is yours; line {line}.',
      anywhere: 'Keep the picture on the site, unless {host} is yours.',
      repair: {
        do: 'askPerson',
        needs: 'the picture on the site itself, or {host} among the requirements’ picture hosts',
      },
    },
  },
  check(page, context) {
    const site = siteOf(page.url)
    const seen = new Set(context.requirements.identity?.pictureHosts ?? [])
    return context.declaredImages(page).flatMap(({ url, tag }) => {
      const host = new URL(url).hostname
      const isInner = host === 'localhost' || /^[\d.]+$|^\[/.test(host)
      if (isInner || siteOf(url) === site || seen.has(host)) return []
      if (isStrayPicture(tag.value ?? '', url, page, context)) return []
      seen.add(host)
      return [{ message: 'elsewhere', at: tag, data: { key: tag.key, host, line: tag.line } }]
    })
  },
})
