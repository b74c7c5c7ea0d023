import { z } from 'zod'
import { FetchFact, SecondLook } from './fetch'
import { PageFacts, SourceLine } from './page-facts'
import { HttpAddress } from './position'

/** A page as gathered: what was asked, what came back, what it says. `url` is its public address. */
export const GatheredPage = z.object({
  url: HttpAddress,
  file: z.string().nullable(),
  fetch: FetchFact,
  facts: PageFacts.nullable(),
  source: z.array(SourceLine),
  secondLooks: z.array(SecondLook).optional(),
})
export type GatheredPage = z.infer<typeof GatheredPage>
