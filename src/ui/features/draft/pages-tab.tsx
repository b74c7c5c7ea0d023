'use client'

import { clsx } from 'clsx'
import { type ReactNode, useEffect, useState } from 'react'
import { type Draft, type DraftFields, slotName } from '@/core/draft'
import { clockTime, count, dayAndTime } from '../../kit/words'
import { doStep, redoStep, undoStep, useHistory } from '../../state/draft/draft-history'
import { draftAgain } from '../../state/draft/make-draft'
import { editorHref, readEditorPattern } from '../../state/page/editor-link'
import { fileGuess } from '../../state/page/use-editor'
import { rowAt } from '../../state/wall/row-at'
import { BeforeAfter } from './before-after'
import type { DraftsProps } from './drafts-props'
import { ShowDraftedWall } from './show-drafted-wall'
import type { Standing } from './use-landings'

const STATES = {
  landed: { sign: '●', name: 'in the build', look: 'text-good' },
  partly: { sign: '◐', name: 'partly in the build', look: 'text-warn' },
  'not-in-build': { sign: '○', name: 'not in the build', look: 'text-quiet' },
  'no-page': { sign: '–', name: 'the run has no such page', look: 'text-quiet' },
} as const

/** Drafts whose cards are drawn; the rest is read by its words. */
const DRAWN = 40

/** Drafts with how far each has got in this run; those that landed are the history. */
export function PagesTab({ run, site, rows, drafts, defaults, context, landings, goTo }: DraftsProps) {
  const { undo, redo } = useHistory()
  const [pattern, setPattern] = useState('')
  useEffect(() => setPattern(readEditorPattern()), [])
  const all = [...drafts.values()].sort((a, b) => (a.changedAt < b.changedAt ? 1 : -1))
  const open = all.filter(({ landedAt }) => landedAt === null)
  const history = all
    .flatMap((draft) => [
      ...(draft.landed ?? []).map((one) => ({ draft, ...one })),
      ...(draft.landedAt === null ? [] : [{ draft, fields: draft.fields, landedAt: draft.landedAt }]),
    ])
    .sort((a, b) => (a.landedAt < b.landedAt ? 1 : -1))
  const pathOf = (url: string) => rowAt(rows, url)?.path ?? url
  const discard = (draft: Draft) =>
    doStep({
      site,
      label: `discarded draft of ${pathOf(draft.url)}`,
      drafts: [{ url: draft.url, before: draft, after: null }],
    })
  const again = (draft: Draft, fields: DraftFields) =>
    doStep({
      site,
      label: `drafted ${pathOf(draft.url)} again`,
      drafts: [{ url: draft.url, before: draft, after: draftAgain(draft, fields, new Date()) }],
    })
  if (all.length === 0) {
    return (
      <div className="max-w-[560px]">
        <h2 className="font-display text-head font-semibold">Nothing is drafted yet</h2>
        <p className="mt-1 text-quiet">
          Open a page and press E to try a better title, description or picture: every card answers while you type. Or
          select cards on the Wall with X and draft for all of them at once.
        </p>
        <div className="mt-3 flex gap-2">
          <button type="button" className="button" onClick={() => goTo({ area: 'wall' })}>
            Open the Wall
          </button>
          <button type="button" className="button" disabled={undo === null} onClick={() => void undoStep()}>
            Undo{undo && `: ${undo}`}
          </button>
        </div>
      </div>
    )
  }
  const waiting = open.filter(({ url }) => landings.get(url)?.state !== 'landed').length
  const landed = open.length - waiting + history.length
  const gone = open.filter(({ goneSince }) => goneSince !== undefined).length
  return (
    <div className="grid gap-4">
      <header className="flex flex-wrap items-center gap-3">
        <h2 className="font-display text-head font-semibold">
          {waiting === 0 ? 'Every draft is in the build' : `${count(waiting, 'draft')} not wholly in the build`}
        </h2>
        <span className="text-quiet">
          {landed} in the build{gone > 0 && `; ${gone} of the others were, and are missing again`}. Held against the run
          of {clockTime(run.startedAt)}.
        </span>
        <span className="ml-auto flex flex-wrap gap-2">
          {open.length > 0 && <ShowDraftedWall run={run.id} goTo={goTo} />}
          <button type="button" className="button" disabled={undo === null} onClick={() => void undoStep()}>
            Undo{undo && `: ${undo}`}
          </button>
          <button type="button" className="button" disabled={redo === null} onClick={() => void redoStep()}>
            Redo
          </button>
          {open.length > 0 && (
            <button type="button" className="button button-main" onClick={() => goTo({ tab: 'take-away' }, 'replace')}>
              Take away
            </button>
          )}
        </span>
      </header>
      {open.length > 0 && (
        <ul className="divide-y divide-line rounded-card border border-line bg-sheet">
          {open.map((draft, index) => (
            <DraftItem
              key={draft.url}
              draft={draft}
              path={pathOf(draft.url)}
              standing={landings.get(draft.url)}
              editor={editorHref(pattern, { file: fileGuess(draft.url), line: 1, column: 1 })}
              onOpen={() => goTo({ area: 'page', page: pathOf(draft.url) })}
              onDiscard={() => void discard(draft)}
            >
              {index < DRAWN && (
                <BeforeAfter
                  run={run.id}
                  section={rowAt(rows, draft.url)?.section ?? '/'}
                  draft={draft}
                  defaults={defaults}
                  context={context}
                />
              )}
            </DraftItem>
          ))}
        </ul>
      )}
      {history.length > 0 && (
        <section>
          <h3 className="mb-1 font-semibold">History</h3>
          <ul className="divide-y divide-line">
            {history.map(({ draft, fields, landedAt }) => (
              <li key={`${draft.url} ${landedAt}`} className="grid gap-[2px] py-[6px]">
                <div className="flex items-baseline gap-3">
                  <span className="font-mono text-small">{pathOf(draft.url)}</span>
                  <span className="text-small text-quiet">landed {dayAndTime(landedAt)}</span>
                  <button
                    type="button"
                    className="ml-auto text-small text-pick hover:underline"
                    aria-label={`Draft again what landed on ${pathOf(draft.url)}`}
                    onClick={() => void again(draft, fields)}
                  >
                    Draft again
                  </button>
                </div>
                <FieldList fields={fields} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}

/** What a draft says, field by field. */
function FieldList({ fields }: { fields: DraftFields }) {
  return (
    <dl className="grid grid-cols-[max-content_minmax(0,1fr)] gap-x-3 gap-y-[2px] text-small">
      {Object.entries(fields).map(([slot, value]) => (
        <div key={slot} className="contents">
          <dt className="text-quiet">{slotName(slot)}</dt>
          <dd className="[overflow-wrap:anywhere]">{value ?? <span className="text-quiet">taken out</span>}</dd>
        </div>
      ))}
    </dl>
  )
}

function DraftItem({
  editor,
  draft,
  path,
  standing,
  onOpen,
  onDiscard,
  children,
}: {
  draft: Draft
  path: string
  standing: Standing | undefined
  /** Address that opens the page's file in the reader's editor; null without one. */
  editor: string | null
  onOpen: () => void
  onDiscard: () => void
  children: ReactNode
}) {
  const state = standing ? STATES[standing.state] : null
  const differing = standing?.tags.filter(({ isThere }) => !isThere) ?? []
  return (
    <li className="grid gap-1 px-4 py-[9px]">
      <div className="flex items-baseline gap-3">
        <button type="button" className="font-mono text-small font-semibold hover:underline" onClick={onOpen}>
          {path}
        </button>
        {state && (
          <span className={clsx('text-small font-semibold', state.look)}>
            <span aria-hidden="true">{state.sign} </span>
            {state.name}
          </span>
        )}
        <span className="ml-auto text-fine text-quiet">changed {dayAndTime(draft.changedAt)}</span>
        {editor && (
          <a href={editor} className="text-small text-pick hover:underline">
            Open in your editor
          </a>
        )}
        <button type="button" className="text-small text-pick hover:underline" onClick={onDiscard}>
          Discard
        </button>
      </div>
      {draft.goneSince && (
        <p className="text-small text-warn">
          It was in the build of {dayAndTime(draft.goneSince.landedAt)}; that of {dayAndTime(draft.goneSince.missedAt)}{' '}
          lacks it again.
        </p>
      )}
      <div className={clsx('grid gap-x-5 gap-y-1', children && 'lg:grid-cols-[auto_minmax(0,1fr)]')}>
        {children}
        <div className="grid content-start gap-2">
          <FieldList fields={draft.fields} />
          {differing.length > 0 && (
            <p className="text-small text-quiet [overflow-wrap:anywhere]">
              The build differs:{' '}
              {differing
                .slice(0, 4)
                .map(({ key, built }) => `${key} ${built === null ? 'is not there' : `says “${built}”`}`)
                .join('; ')}
              {differing.length > 4 && `; and ${differing.length - 4} more`}.
            </p>
          )}
        </div>
      </div>
    </li>
  )
}
