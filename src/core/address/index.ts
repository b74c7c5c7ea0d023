/**
 * Addresses and what may be asked at them: reading and comparing URLs, the map between production and where
 * the build is read, dropped parameters, path globs, robots.txt, what of an address is secret, and every limit
 * that bounds a run. Nothing here asks a network; it only says what an address means. Begin with address.ts
 * and limits.ts.
 */

export {
  baseOf,
  hostnameOf,
  isPrivateHost,
  isSameButSlash,
  originOf,
  pageAddress,
  parseUrl,
  pathnameOf,
  pathOf,
  pathOn,
  resolveAddress,
  withoutQuery,
} from './address'
export { type AddressMap, createAddressMap, withSlash } from './address-map'
export { type AddressOrigin, AddressSecrets, loginInAddress, type ShownAddress, shownAddress } from './address-secrets'
export {
  createPathFilter,
  createUrlFilter,
  globFault,
  globMatcher,
  idleGlobs,
  type PathFilter,
  pathForms,
  urlMatcher,
} from './globs'
export { limits } from './limits'
export { isPreviewHost } from './preview-host'
export { crawlDelayFor, isAllowed, parseRobots, type RobotsRules, rulesLeftOut } from './robots'
export { withoutValues } from './secret-values'
export { samePathOn, strayUrl } from './stray-url'
export { isNamedSite, siteInWords, unnamedSite, withoutUnnamedHost } from './unnamed-site'
