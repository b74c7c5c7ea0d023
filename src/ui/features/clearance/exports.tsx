'use client'

import { useState } from 'react'
import { reportFormats } from '@/core/report'
import type { StoredRun } from '@/store/database'
import { saveFile } from '../../kit/save-file'
import type { GoTo } from '../../state/view/use-view'
import { exportRun } from './recheck'

const ABOUT: Record<string, string> = {
  html: 'for a client to read, with the cards; printed, it is a PDF',
  markdown: 'for a pull request',
  sarif: 'for code scanning',
  junit: 'for test reports',
  csv: 'for a spreadsheet',
  json: 'everything, for the command, or to be opened in another browser',
  jsonl: 'the same, a page a line',
  text: 'as the command prints it',
}

/** The run in the forms that the command writes. */
export function Exports({ run, goTo }: { run: StoredRun; goTo: GoTo }) {
  const [said, setSaid] = useState<{ text: string; isFault: boolean } | null>(null)
  const take = async (id: string, extension: string, mediaType: string, onePage = false) => {
    setSaid({ text: 'Writing …', isFault: false })
    try {
      const name = `cards-${new URL(run.source.site).host}${onePage ? '-one-page' : ''}.${extension}`
      saveFile(name, await exportRun(run.id, id, onePage), mediaType)
      setSaid({ text: 'Saved.', isFault: false })
    } catch (error) {
      setSaid({ text: error instanceof Error ? error.message : String(error), isFault: true })
    }
  }
  return (
    <section aria-label="The run for others">
      <h2 className="font-display text-head font-semibold">For others</h2>
      <p className="mb-2 text-quiet">The whole run in one file: the same documents that the command writes.</p>
      <ul className="grid gap-1">
        {[...reportFormats].reverse().map(({ id, name, extension, mediaType }) => (
          <li key={id} className="flex items-baseline gap-3">
            <button
              type="button"
              className="text-pick hover:underline"
              onClick={() => void take(id, extension, mediaType)}
            >
              {name}
            </button>
            <span className="text-small text-quiet">{ABOUT[id]}</span>
            {id === 'html' && (
              <button
                type="button"
                className="text-small text-pick hover:underline"
                onClick={() => void take(id, extension, mediaType, true)}
              >
                On one page
              </button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-quiet">
        What changed since the launch, its cards before and now, and which copies are out of date are in{' '}
        <button type="button" className="text-pick hover:underline" onClick={() => goTo({ area: 'drift' })}>
          Drift
        </button>
        ; all that is kept of the site goes into one file in{' '}
        <button
          type="button"
          className="text-pick hover:underline"
          onClick={() => goTo({ area: 'gather', page: null })}
        >
          Gather
        </button>
        .
      </p>
      <p role="status" className={said?.isFault ? 'text-wrong' : 'text-good'}>
        {said?.text}
      </p>
    </section>
  )
}
