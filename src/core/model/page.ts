import { z } from 'zod'
import { FetchFact, SecondLook } from './fetch'
import { PageFacts, SourceLine } from './page-facts'
import { HttpAddress } from './position'

/** Where a page's links lead, as it says them: kept so that a later run can take the page over unread. */
export const KeptLinks = z.object({
  hrefs: z.array(z.string()),
  /** Line and column of each, in turn. */
  hrefPlaces: z.array(z.number()),
  refreshTo: z.string().nullable(),
})
export type KeptLinks = z.infer<typeof KeptLinks>

/** A page as gathered: what was asked, what came back, what it says. `url` is its public address. */
export const GatheredPage = z.object({
  url: HttpAddress,
  file: z.string().nullable(),
  fetch: FetchFact,
  facts: PageFacts.nullable(),
  source: z.array(SourceLine),
  secondLooks: z.array(SecondLook).optional(),
  /** Only where it was asked for, and the server tells of changes. */
  kept: KeptLinks.optional(),
})
export type GatheredPage = z.infer<typeof GatheredPage>
