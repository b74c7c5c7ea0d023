'use client'

import { useState } from 'react'
import type { Cause } from '@/core/cause'
import type { Level } from '@/core/model'
import type { StoredRun, WallRow } from '@/store/database'
import { count } from '../../kit/words'
import { CheckName } from '../../parts/check-name'
import type { GoTo } from '../../state/view/use-view'
import { rowAt } from '../../state/wall/row-at'
import { clearSelection, select } from '../../state/wall/selection'
import { EditList } from './edit-list'
import { TryButtons } from './try-buttons'

/** Pages named before the rest is counted. */
const NAMED = 60

/** What is known of the change: tried on the run's own pages, or what has to be there first. */
function Proof({ cause: { clears, needs, proved, edits, where } }: { cause: Cause }) {
  const gone = LEVELS.flatMap((level) => (clears[level] > 0 ? [count(clears[level], level)] : [])).join(', ')
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-[3px]">
      <dt className="text-quiet">Where</dt>
      <dd>{PLACES[where]}</dd>
      <dt className="text-quiet">Clears</dt>
      <dd>
        {gone}
        {proved && <span className="text-good">. Tried: exactly these go, none comes.</span>}
        {!proved && edits.length > 0 && <span>. Tried with a stand-in for what it needs.</span>}
      </dd>
      {needs && (
        <>
          <dt className="text-quiet">Needs first</dt>
          <dd>{needs}</dd>
        </>
      )}
    </dl>
  )
}

const LEVELS: readonly Level[] = ['error', 'warning', 'note']

/** What kind of work it is. */
const PLACES: Record<Cause['where'], string> = {
  site: 'a setting of the site',
  layout: 'the layout that pages share',
  section: 'the template of a section',
  page: 'the pages themselves',
  picture: 'a picture',
  server: 'the server',
}

/** One change: what it is, the evidence, the tags to write, the pages. */
export function CauseDetail({
  run,
  cause,
  causes,
  rows,
  goTo,
}: {
  run: StoredRun
  cause: Cause
  causes: readonly Cause[]
  rows: WallRow[]
  goTo: GoTo
}) {
  const [said, setSaid] = useState('')
  const pathOf = (url: string) => rowAt(rows, url)?.path ?? url
  const copy = async () => {
    if (!cause.snippet) return
    await navigator.clipboard.writeText(cause.snippet)
    setSaid('Copied.')
  }
  const draft = () => {
    clearSelection()
    select(run.id, cause.pages)
    goTo({ area: 'wall', section: cause.section === '*' ? null : cause.section, page: null, symptoms: [], search: '' })
  }
  return (
    <article className="grid max-w-[720px] gap-4">
      <h2 className="text-lead font-semibold leading-snug [overflow-wrap:anywhere]">{cause.change}</h2>
      <Proof cause={cause} />
      <TryButtons run={run} causes={causes} chosen={cause} goTo={goTo} />
      {cause.edits.length > 0 && <EditList edits={cause.edits} />}
      {cause.snippet && (
        <section>
          <div className="mb-1 flex items-baseline gap-3">
            <h3 className="font-semibold">Tags to write</h3>
            <span className="text-small text-quiet">
              filled in for {pathOf(cause.pages[0]!)}; write what … stands for
            </span>
            <span role="status" className="ml-auto text-good">
              {said}
            </span>
            <button type="button" className="text-pick hover:underline" onClick={copy}>
              Copy
            </button>
          </div>
          <pre className="overflow-x-auto rounded-card border border-line bg-sheet px-3 py-2 font-mono text-fine leading-[19px] whitespace-pre-wrap [overflow-wrap:anywhere]">
            {cause.snippet}
          </pre>
        </section>
      )}
      <section>
        <h3 className="mb-1 font-semibold">Seen at</h3>
        <ul className="grid gap-[3px] text-small">
          {cause.evidence.map(({ url, line, value }, index) => (
            // One line may be seen for two values: only its place among the evidence of this cause is its own.
            <li key={`${cause.id} ${index}`} className="[overflow-wrap:anywhere]">
              <button
                type="button"
                className="font-mono text-small text-pick hover:underline"
                onClick={() => goTo({ area: 'page', page: pathOf(url), pane: 'findings' })}
              >
                {pathOf(url)}
                {line !== null && `, line ${line}`}
              </button>
              {value !== null && (
                <span className="text-quiet">: {value === '' ? 'the tag is empty' : `“${value}”`}</span>
              )}
            </li>
          ))}
        </ul>
      </section>
      <section>
        <div className="mb-1 flex flex-wrap items-center gap-3">
          <h3 className="font-semibold">{count(cause.pages.length, 'page')}</h3>
          <button type="button" className="button h-[28px]! px-[9px]!" onClick={draft}>
            Select on the Wall, to draft for {cause.pages.length === 1 ? 'it' : 'them'}
          </button>
        </div>
        <ul className="flex flex-wrap gap-x-4 gap-y-[2px]">
          {cause.pages.slice(0, NAMED).map((url) => (
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
          {cause.pages.length > NAMED && <li className="text-quiet">and {cause.pages.length - NAMED} more</li>}
        </ul>
      </section>
      <p className="text-small text-quiet">
        Checks:{' '}
        {cause.rules.map((rule, index) => (
          <span key={rule}>
            {index > 0 && ', '}
            <CheckName id={rule} />
          </span>
        ))}
      </p>
    </article>
  )
}
