'use client'

import { useState } from 'react'
import { inWords, type PictureEntry } from '@/core/check'
import { count } from '../../kit/words'
import { CheckName } from '../../parts/check-name'
import { LEVEL_LOOK, LEVEL_SIGN } from '../../parts/levels'
import type { GoTo } from '../../state/view/use-view'
import { pathOfPicture } from './picture-facts'

/** Pages listed before the rest is asked for. */
const LISTED = 12

/** What is said of the picture, the pages that it feeds with its text for each, and where else it stands. */
export function PictureUses({ entry, site, goTo }: { entry: PictureEntry; site: string; goTo: GoTo }) {
  const [isAll, setIsAll] = useState(false)
  const uses = isAll ? entry.uses : entry.uses.slice(0, LISTED)
  const lacking = entry.uses.filter(({ alt }) => alt === null).length
  const open = (url: string) => goTo({ area: 'page', page: pathOfPicture(url, site) })
  return (
    <>
      {entry.findings.length > 0 && (
        <section aria-label="Findings" className="grid gap-2 border-t border-line pt-3">
          {entry.findings
            .map(({ pages, ...finding }) => ({ ...finding, pages, ...inWords(finding) }))
            .map(({ rule, level, message, fix, pages }) => (
              <div key={rule + message}>
                <p className="[overflow-wrap:anywhere]">
                  <span className={LEVEL_LOOK[level]}>
                    <span aria-hidden="true">{LEVEL_SIGN[level]} </span>
                    <b className="font-semibold">{level}</b>
                  </span>{' '}
                  {message}
                  {pages > 1 && <span className="text-quiet"> {count(pages, 'page')}.</span>}
                </p>
                <p className="text-small text-quiet">
                  {fix} <CheckName id={rule} />
                </p>
              </div>
            ))}
        </section>
      )}
      {(entry.same.length > 0 || entry.alike.length > 0) && (
        <section aria-label="The same picture elsewhere" className="border-t border-line pt-3">
          <Others name="The same bytes" urls={entry.same} site={site} goTo={goTo} />
          <Others name="Looks the same" urls={entry.alike} site={site} goTo={goTo} />
        </section>
      )}
      <section aria-label="Pages of the picture" className="border-t border-line pt-3">
        <h2 className="font-semibold">
          {count(entry.uses.length, 'page')}
          {lacking > 0 && <span className="font-normal text-warn">, {lacking} without a text for it</span>}
        </h2>
        <ul className="mt-1 grid gap-[5px]">
          {uses.map(({ page, keys, alt }) => (
            <li key={page} className="min-w-0">
              <button
                type="button"
                className="block max-w-full truncate font-mono text-small text-pick hover:underline"
                onClick={() => open(page)}
                title={keys.join(', ')}
              >
                {pathOfPicture(page, site)}
              </button>
              <span className="block truncate text-small text-quiet" title={alt ?? undefined}>
                {alt ?? 'no alternative text'}
              </span>
            </li>
          ))}
        </ul>
        {entry.uses.length > uses.length && (
          <button type="button" className="mt-1 text-pick hover:underline" onClick={() => setIsAll(true)}>
            and {entry.uses.length - uses.length} more
          </button>
        )}
        {entry.contentOf.length > 0 && (
          <p className="mt-2 text-small text-quiet">
            Shown in the content of {count(entry.contentOf.length, 'more page')}:{' '}
            {entry.contentOf
              .slice(0, 4)
              .map((url) => pathOfPicture(url, site))
              .join(', ')}
            {entry.contentOf.length > 4 && ' …'}
          </p>
        )}
      </section>
    </>
  )
}

function Others({ name, urls, site, goTo }: { name: string; urls: string[]; site: string; goTo: GoTo }) {
  if (urls.length === 0) return null
  return (
    <p className="[overflow-wrap:anywhere]">
      <span className="text-quiet">{name}: </span>
      {urls.map((url) => (
        <button
          key={url}
          type="button"
          className="mr-2 font-mono text-small text-pick hover:underline"
          onClick={() => goTo({ picture: url }, 'replace')}
        >
          {pathOfPicture(url, site)}
        </button>
      ))}
    </p>
  )
}
