/**
 * Query parameters that name a visit or a campaign, never a page: links that differ only in these lead to one page.
 * Kept as plain names so that the list can be shown to a user who wonders where a query went.
 */
export const droppedParameters: readonly string[] = [
  'fbclid',
  'gclid',
  'gclsrc',
  'dclid',
  'msclkid',
  'yclid',
  'igshid',
  'mc_cid',
  'mc_eid',
  '_ga',
  'jsessionid',
  'phpsessid',
  'aspsessionid',
  'sessionid',
]

/** Beginnings of such names. */
export const droppedPrefixes: readonly string[] = ['utm_']
