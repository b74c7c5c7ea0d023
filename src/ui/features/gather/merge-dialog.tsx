'use client'

import { Dialog } from 'radix-ui'
import { useState } from 'react'
import type { Choices, ProjectPreview } from '@/workers/open-project'
import type { ProjectDifference, Side } from '@/workers/project-differences'
import { DialogPanel } from '../../kit/dialog-panel'
import { Segments } from '../../kit/segments'
import { count, dayAndTime, shortAddress } from '../../kit/words'

const SIDES = [
  { id: 'mine', name: 'Keep mine' },
  { id: 'archive', name: 'Take the archive’s' },
] as const

/** What opening an archive would change, each difference side by side with its choice; nothing is changed before. */
export function MergeDialog({
  preview,
  onMerge,
  onCancel,
}: {
  preview: ProjectPreview
  onMerge: (choices: Choices) => void
  onCancel: () => void
}) {
  const { site, savedAt, differences, brings } = preview
  const [choices, setChoices] = useState<Record<string, Side>>(() =>
    Object.fromEntries(differences.map(({ id, stays }) => [id, stays])),
  )
  const all = (side: Side) => setChoices(Object.fromEntries(differences.map(({ id }) => [id, side])))
  return (
    <Dialog.Root open onOpenChange={(isOpen) => !isOpen && onCancel()}>
      <DialogPanel
        title={`Put together: ${shortAddress(site)}`}
        titleClassName="border-b border-line px-5 py-4 text-lead font-semibold"
        className="flex w-[min(860px,calc(100vw-24px))] flex-col overflow-hidden"
      >
        <section tabIndex={0} aria-label="What would change" className="min-h-0 overflow-auto px-5 py-4">
          <p className="text-quiet">The archive was saved {dayAndTime(savedAt)}. Nothing is changed yet.</p>
          {brings.length > 0 && (
            <section className="mt-3">
              <h3 className="font-semibold">It brings</h3>
              <ul className="mt-1 list-disc pl-5">
                {brings.map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ul>
            </section>
          )}
          <section className="mt-4">
            <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
              <h3 className="font-semibold">
                {differences.length === 0
                  ? 'Nothing that you have differs from it'
                  : `${count(differences.length, 'difference')} from what you have`}
              </h3>
              {differences.length > 1 && (
                <span className="flex gap-3 text-small">
                  <button type="button" className="text-pick hover:underline" onClick={() => all('mine')}>
                    Keep all of mine
                  </button>
                  <button type="button" className="text-pick hover:underline" onClick={() => all('archive')}>
                    Take all of the archive’s
                  </button>
                </span>
              )}
            </div>
            <ul className="mt-2 grid gap-3">
              {differences.map((difference) => (
                <DifferenceRow
                  key={difference.id}
                  difference={difference}
                  chosen={choices[difference.id]!}
                  onChoose={(side) => setChoices((now) => ({ ...now, [difference.id]: side }))}
                />
              ))}
            </ul>
          </section>
        </section>
        <div className="flex justify-end gap-2 border-t border-line px-5 py-3">
          <button type="button" className="button" onClick={onCancel}>
            Cancel
          </button>
          <button type="button" className="button button-main" onClick={() => onMerge(choices)}>
            Put together
          </button>
        </div>
      </DialogPanel>
    </Dialog.Root>
  )
}

function DifferenceRow({
  difference: { name, parts, changedAt },
  chosen,
  onChoose,
}: {
  difference: ProjectDifference
  chosen: Side
  onChoose: (side: Side) => void
}) {
  return (
    <li aria-label={name} className="rounded-card border border-line p-3">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h4 className="min-w-0 flex-1 font-mono text-small font-semibold [overflow-wrap:anywhere]">{name}</h4>
        <Segments name={`Which stays: ${name}`} choices={SIDES} chosen={chosen} onChoose={onChoose} size="small" />
      </div>
      <div className="grid grid-cols-2 gap-3 text-small max-md:grid-cols-1">
        {(['mine', 'archive'] as const).map((side) => (
          <dl
            key={side}
            className={
              side === chosen
                ? 'rounded-[5px] bg-pick-soft p-2 outline outline-pick'
                : 'rounded-[5px] bg-soft p-2 text-quiet'
            }
          >
            <dt className="mb-1 font-semibold">
              {side === 'mine' ? 'Yours' : 'The archive’s'}
              {changedAt[side] && <span className="font-normal text-quiet"> {dayAndTime(changedAt[side])}</span>}
              {side === chosen && <span className="font-normal"> (stays)</span>}
            </dt>
            {parts.map(({ part, [side]: value }) => (
              <dd key={part} className="[overflow-wrap:anywhere]">
                <span className="font-mono">{part}</span>: {value ?? <i>not set</i>}
              </dd>
            ))}
          </dl>
        ))}
      </div>
    </li>
  )
}
