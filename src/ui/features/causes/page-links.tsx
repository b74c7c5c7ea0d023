'use client'

import type { WallRow } from '@/store/database'
import { count } from '../../kit/words'
import type { GoTo } from '../../state/view/use-view'
import { rowAt } from '../../state/wall/row-at'

/** Pages named before the rest is counted. */
const NAMED = 40

/** Pages that a chart was narrowed to. */
export function PageLinks({
  urls,
  rows,
  about,
  goTo,
}: {
  urls: readonly string[]
  rows: readonly WallRow[]
  about: string
  goTo: GoTo
}) {
  const pathOf = (url: string) => rowAt(rows, url)?.path ?? url
  return (
    <section aria-label="Pages of the chosen part">
      <p className="text-quiet">
        {count(urls.length, 'page')} {about}
      </p>
      <ul className="flex flex-wrap gap-x-4 gap-y-[2px]">
        {urls.slice(0, NAMED).map((url) => (
          <li key={url}>
            <button
              type="button"
              className="font-mono text-small text-pick hover:underline"
              onClick={() => goTo({ area: 'page', page: pathOf(url) })}
            >
              {pathOf(url)}
            </button>
          </li>
        ))}
        {urls.length > NAMED && <li className="text-quiet">and {urls.length - NAMED} more</li>}
      </ul>
    </section>
  )
}
