'use client'

import { cardContextOf } from '@/core/check'
import type { SignOffDifference } from '@/core/report'
import { changedCards, type Drawing, type DrawnRun, sheetOfChanged } from '@/core/sheet'
import { cardOf, type Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { imagesOf } from '@/store/images'
import { pagesAt } from '@/store/pages'
import { pictureKey } from '../../parts/sheet/sheet-pictures'

/** Pages looked at for one picture: more have no room on it. */
const MAX_PAGES = 100

/** Some pages of a stored run, with their cards on some places. @param paths below the site, with a slash before */
async function drawnRun(run: StoredRun, paths: readonly string[], surfaces: readonly Surface[]): Promise<DrawnRun> {
  const images = await imagesOf(run.id)
  const context = cardContextOf(run, images)
  const pages = await pagesAt(
    run.id,
    paths.map((path) => run.source.site + path.slice(1)),
  )
  return {
    startedAt: run.startedAt,
    source: run.source,
    images: [...images.values()].map(({ url, hash }) => ({ url, hash })),
    pages: pages.flatMap((stored) =>
      stored
        ? [
            {
              url: stored.url,
              cards: Object.fromEntries(
                surfaces.map((surface) => [surface.id, cardOf(stored.page, surface, context)] as const),
              ),
            },
          ]
        : [],
    ),
  }
}

/** What is here beside what was signed, a card a page: also where the one is staging and the other production. */
export async function sheetOfDifference(
  signed: StoredRun,
  run: StoredRun,
  { changed, added, removed }: SignOffDifference,
  surfaces: readonly Surface[],
): Promise<Drawing> {
  const paths = [...changed, ...removed, ...added].slice(0, MAX_PAGES)
  const [before, after] = await Promise.all([signed, run].map((one) => drawnRun(one, paths, surfaces)))
  const keyOf = (side: 'before' | 'after', url: string) => pictureKey(side === 'before' ? signed.id : run.id, url)
  return sheetOfChanged(before!, after!, changedCards(before!, after!, surfaces), keyOf).drawing
}
