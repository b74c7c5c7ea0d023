import { parse } from 'tldts'
import { isPrivateHost } from './address'

/** Labels of hosts where sites are tried out before launch. */
const PREVIEW_LABEL =
  /^(?:staging|stage|stg|preview|previews|preprod|pre-production|preproduction|dev|develop|development|qa|uat|test|testing|sandbox)\d*$/
/** The same within a label, as services that publish each branch write them: `deploy-preview-7--site`, `site-git-branch-team`. */
const PREVIEW_WITHIN = /(?:^|-)(?:staging|preview|preprod)(?:-|\d|$)|.--.|-git-/

/**
 * Does a host's name say that it is there for trying things out? It is then no evidence for where a site will live. What
 * is registered counts for nothing: `staging.example.org` is a preview host, `staging.com` is none.
 */
export function isPreviewHost(hostname: string): boolean {
  if (isPrivateHost(hostname)) return false
  const { subdomain, domainWithoutSuffix, isPrivate } = parse(hostname, { allowPrivateDomains: true })
  // Below a suffix under which anybody can have a name, the name itself may be that of a branch.
  const own = isPrivate && domainWithoutSuffix ? [domainWithoutSuffix] : []
  const labels = [...(subdomain ?? '').split('.').filter((label) => label !== ''), ...own]
  return labels.some((label) => !label.startsWith('xn--') && (PREVIEW_LABEL.test(label) || PREVIEW_WITHIN.test(label)))
}
