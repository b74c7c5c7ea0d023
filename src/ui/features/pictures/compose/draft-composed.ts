'use client'

import type { DraftFields } from '@/core/draft'
import { firstValue } from '@/core/surface'
import { isBlank } from '@/core/text'
import type { StoredRun } from '@/store/database'
import { draftsOf } from '@/store/drafts'
import { imagesOf } from '@/store/images'
import { pagesAt } from '@/store/pages'
import { doStep } from '../../../state/draft/draft-history'
import { draftWith } from '../../../state/draft/make-draft'

/** Drafts a picture of its own for each page, and an alternative text where the page has none. One step to undo. */
export async function draftComposed(
  run: StoredRun,
  made: readonly { url: string; address: string; title: string }[],
): Promise<void> {
  const { site } = run.source
  const known = await imagesOf(run.id)
  const before = new Map((await draftsOf(site)).map((draft) => [draft.url, draft]))
  const pages = await pagesAt(
    run.id,
    made.map(({ url }) => url),
  )
  const now = new Date()
  const drafts = pages.flatMap((stored, index) => {
    if (!stored?.page.facts) return []
    const { url, address, title } = made[index]!
    const old = before.get(url) ?? null
    const open: DraftFields = old?.landedAt === null ? old.fields : {}
    const hasAlt = open.imageAlt !== undefined || !isBlank(firstValue(stored.page.facts, 'og:image:alt'))
    const fields: DraftFields = { ...open, image: address, ...(!hasAlt && title !== '' && { imageAlt: title }) }
    const after = draftWith(old, fields, { site, page: stored.page, imageOf: (one) => known.get(one), now })
    return [{ url, before: old, after }]
  })
  await doStep({ site, label: 'the composed pictures', drafts })
}
