'use client'

import { clsx } from 'clsx'
import { useMemo } from 'react'
import { inWords } from '@/core/check'
import type { AccessMode } from '@/core/model'
import { type Card, cardOf, type Surface, whyDifferent } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import { bytes, clockTime, count } from '../../kit/words'
import { CutLine } from '../../parts/ladder/cut-line'
import { FindingsView } from '../../parts/ladder/findings-view'
import { hasNoRoom, LadderView } from '../../parts/ladder/ladder-view'
import { RichView } from '../../parts/ladder/rich-view'
import { PlaceholdersSaid } from '../../parts/placeholders-said'
import { useEditor } from '../../state/page/use-editor'
import { notesToKnow } from '../../state/run/notes-to-know'
import { useCardContext } from '../../state/run/use-card-context'
import { useStoredPage } from '../../state/run/use-run'
import type { GoTo } from '../../state/view/use-view'
import { rowAt } from '../../state/wall/row-at'

type Props = {
  run: StoredRun
  row: WallRow | null
  rows: WallRow[]
  surface: Surface
  beside: Surface | null
  as: AccessMode | null
  goTo: GoTo
}

/** Why the chosen card looks as it does, and what is wrong with its page. Without a choice: the run in short. */
export function Inspector({ run, row, rows, surface, beside, as, goTo }: Props) {
  return (
    <aside
      aria-label="Why the card looks so"
      tabIndex={0}
      className="overflow-auto border-l border-line bg-sheet px-4 py-4 max-lg:col-span-2 max-lg:max-h-[40vh] max-lg:border-l-0 max-lg:border-t max-md:col-span-1 max-md:max-h-none"
    >
      {row ? (
        <Chosen run={run} row={row} surface={surface} beside={beside} as={as} goTo={goTo} />
      ) : (
        <RunInShort run={run} rows={rows} goTo={goTo} />
      )}
    </aside>
  )
}

function Chosen({ run, row, surface, beside, as, goTo }: Omit<Props, 'row' | 'rows'> & { row: WallRow }) {
  const stored = useStoredPage(run.id, row.url)
  const context = useCardContext(run, as)
  const page = stored.kind === 'ready' ? stored.value.page : null
  const card = useMemo(() => (page && context ? cardOf(page, surface, context) : null), [page, surface, context])
  const editor = useEditor(page)
  const other = useMemo(
    () => (page && context && beside ? cardOf(page, beside, context) : null),
    [page, beside, context],
  )
  if (!page || !card)
    return (
      <p className="text-quiet">
        {stored.kind === 'missing' ? 'This page is not in the run any more.' : 'Reading the page …'}
      </p>
    )
  return (
    <div className="grid gap-[12px]">
      <header>
        <h2 className="font-mono text-body font-semibold [overflow-wrap:anywhere]">{row.path}</h2>
        <p className="text-small text-quiet">
          {page.fetch.status ?? 'no answer'}, {bytes(page.fetch.bytes)}, fetched {clockTime(page.fetch.fetchedAt)}
        </p>
      </header>
      <PlaceholdersSaid run={run} url={row.url} />
      <div className="flex gap-2">
        <button type="button" className="button" onClick={() => goTo({ area: 'page', page: row.path })}>
          Open page <kbd className="key">Enter</kbd>
        </button>
      </div>
      {other && beside && <Difference a={{ surface, card }} b={{ surface: beside, card: other }} />}
      {card.bareBecause && <p className="font-semibold">{card.bareBecause}</p>}
      <LadderView name="Title" ladder={card.title.ladder} />
      {card.title.cut && <CutLine part={card.title} surface={surface.name} />}
      <LadderView name="Description" ladder={card.description.ladder} hasNoRoom={hasNoRoom(card.description)} />
      {card.description.cut && <CutLine part={card.description} surface={surface.name} />}
      {surface.picture && <LadderView name="Picture" ladder={card.image.ladder} />}
      <RichView rich={card.rich} labels={surface.labels ? card.labels : []} />
      <section className="border-t border-line pt-[10px]">
        <h3 className="mb-[6px] font-semibold">
          {row.findings.length === 0 ? 'Findings' : count(row.findings.length, 'finding')}
        </h3>
        <FindingsView findings={row.findings} placeOf={editor.ofFinding} />
      </section>
    </div>
  )
}

/** Why the card beside it looks otherwise. */
function Difference({ a, b }: { a: { surface: Surface; card: Card }; b: { surface: Surface; card: Card } }) {
  const sentences = whyDifferent(a, b)
  return (
    <section className="rounded-[5px] bg-soft px-[10px] py-[7px]">
      <h3 className="font-semibold">
        {a.surface.name} and {b.surface.name}
      </h3>
      {sentences.length === 0 && <p className="text-quiet">Both take the same tags; only their room differs.</p>}
      <ul className="grid gap-1">
        {sentences.map((sentence) => (
          <li key={sentence} className="[overflow-wrap:anywhere]">
            {sentence}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What stands in the way, as far as it is known. */
function inTheWay({ verdict, error }: NonNullable<StoredRun['summary']>): string {
  if (verdict === 'not-clear') return `${count(error, 'error')} in the way`
  return verdict === 'clear' ? 'Nothing stands in the way' : 'Not known: not everything was read'
}

function RunInShort({ run, rows, goTo }: { run: StoredRun; rows: WallRow[]; goTo: GoTo }) {
  const { summary, findings } = run
  const notes = notesToKnow(run)
  return (
    <div className="grid gap-4">
      <div>
        <h2 className="font-display text-head font-semibold leading-tight">
          {summary ? inTheWay(summary) : 'Still gathering'}
        </h2>
        {summary && (
          <p className="text-quiet">
            {count(summary.warning, 'warning')}, {count(summary.note, 'note')}, on {count(rows.length, 'page')}.
          </p>
        )}
        <p className="mt-2 text-quiet">
          Choose a card to see which tag fed each part of it, what that tag beat, and what mends it.
        </p>
      </div>
      {notes.length > 0 && (
        <section className="border-t border-line pt-[10px]">
          <h3 className="mb-1 font-semibold">To know about this run</h3>
          <ul className="grid gap-1 text-quiet">
            {notes.map((message, index) => (
              <li
                key={message}
                className={clsx(
                  '[overflow-wrap:anywhere]',
                  index < run.incomplete.length && 'font-semibold text-wrong',
                )}
              >
                {message}
              </li>
            ))}
          </ul>
        </section>
      )}
      {findings.length > 0 && (
        <section className="border-t border-line pt-[10px]">
          <h3 className="mb-[6px] font-semibold">Across the site</h3>
          <ul className="grid gap-3">
            {findings.map((finding) => (
              <li key={`${finding.rule} ${inWords(finding).message}`}>
                <FindingsView findings={[finding]} />
                <p className="mt-1 flex flex-wrap gap-x-3 font-mono text-fine">
                  {finding.pages.slice(0, 6).map((url) => {
                    const row = rowAt(rows, url)
                    return (
                      <button
                        key={url}
                        type="button"
                        className="text-pick hover:underline"
                        onClick={() => row && goTo({ page: row.path }, 'replace')}
                      >
                        {row?.path ?? url}
                      </button>
                    )
                  })}
                  {finding.pages.length > 6 && <span className="text-quiet">and {finding.pages.length - 6} more</span>}
                </p>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
