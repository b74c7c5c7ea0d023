'use client'

import { Dialog } from 'radix-ui'
import { type ComponentProps, useMemo, useState } from 'react'
import { uncalled } from '@/core/check'
import {
  type BulkChange,
  bulkFields,
  type DraftSlot,
  PatternFault,
  parsePattern,
  saidBy,
  slotOf,
  slots,
  unfitIn,
} from '@/core/draft'
import type { StoredRun, WallRow } from '@/store/database'
import type { DraftStep } from '@/store/drafts'
import { DialogPanel } from '../../kit/dialog-panel'
import { count } from '../../kit/words'
import { CardPicture } from '../../parts/card/card-picture'
import { doStep } from '../../state/draft/draft-history'
import { draftWith } from '../../state/draft/make-draft'
import type { BulkDraftSlot } from '../../state/draft/slots'
import { useDrafts } from '../../state/draft/use-drafts'
import { useCardContext } from '../../state/run/use-card-context'
import { useSiteCalled } from '../../state/run/use-site-called'
import { Choices } from './draft-picture-field'
import { PatternField } from './pattern-field'
import { type ReadPage, usePages } from './use-pages'

/** Changes that are more than one value for all pages; the others are named by their slot. */
const MADE_KINDS = [
  { kind: 'description-own', name: 'Description: from each page’s own text' },
  { kind: 'title-own', name: 'Title: from each page’s own text' },
  { kind: 'title-pattern', name: 'Title: by a pattern' },
  { kind: 'picture', name: 'Picture: the same for all' },
  { kind: 'own-picture', name: 'Picture: each page’s own largest' },
] as const
type MadeKind = (typeof MADE_KINDS)[number]['kind']
/** One value for all: the slot’s own key. */
type Kind = MadeKind | DraftSlot

const VALUE_SLOTS = slots.flatMap((slot) => (slot.bulkName === undefined ? [] : [{ ...slot, bulkName: slot.bulkName }]))
const KINDS: readonly { kind: Kind; name: string }[] = [
  ...MADE_KINDS,
  ...VALUE_SLOTS.map(({ key, bulkName }) => ({ kind: key, name: bulkName })),
]
const valueSlot = (kind: Kind) => VALUE_SLOTS.find(({ key }) => key === kind)

const OWN_TEXTS = {
  'title-own': ['h1', 'title', 'og:title'],
  'description-own': ['first paragraph', 'description', 'og:description'],
} as const

/** Pages listed before the rest is counted. */
const LISTED = 200

/** One change for all selected pages, shown page by page before it is made. */
export function BulkDialog({ run, rows, onDone, children }: ComponentProps<BulkDraftSlot>) {
  const [isOpen, setIsOpen] = useState(false)
  return (
    <Dialog.Root open={isOpen} onOpenChange={setIsOpen}>
      <Dialog.Trigger asChild>{children}</Dialog.Trigger>
      <DialogPanel
        title={`Draft for ${count(rows.length, 'page')}`}
        titleClassName="border-b border-line px-5 py-3 font-display text-title font-semibold"
        className="flex w-[min(860px,96vw)] flex-col"
      >
        {isOpen && (
          <Bulk
            run={run}
            rows={rows}
            onDone={() => {
              setIsOpen(false)
              onDone()
            }}
          />
        )}
      </DialogPanel>
    </Dialog.Root>
  )
}

function Bulk({ run, rows, onDone }: { run: StoredRun; rows: WallRow[]; onDone: () => void }) {
  const { site } = run.source
  const [kind, setKind] = useState<Kind>('description-own')
  const [source, setSource] = useState<string>('first paragraph')
  const [value, setValue] = useState('')
  const [picture, setPicture] = useState<string | null>(null)
  const [pattern, setPattern] = useState('{heading}')
  const context = useCardContext(run)
  const drafts = useDrafts(site)
  const urls = useMemo(() => rows.map(({ url }) => url), [rows])
  const pages = usePages(run.id, urls)
  const sections = useMemo(() => new Map(rows.map(({ url, section }) => [url, section])), [rows])
  const called = useSiteCalled(run) ?? uncalled
  const [free, setFree] = useState('')
  const change = useMemo((): BulkChange | null => {
    const slot = valueSlot(kind)
    if (slot) {
      const text = slot.choices ? value : free.trim()
      return text === '' || unfitIn(text) !== null ? null : { kind: 'value', slot: slot.key, value: text }
    }
    switch (kind) {
      case 'own-picture':
        return { kind: 'own-picture' }
      case 'picture':
        return picture === null ? null : { kind: 'value', slot: 'image', value: picture }
      case 'title-pattern':
        try {
          return { kind: 'pattern', slot: 'title', pattern: parsePattern(pattern), called }
        } catch (error) {
          if (error instanceof PatternFault) return null
          throw error
        }
      case 'title-own':
        return { kind: 'own-text', slot: 'title', from: source }
      case 'description-own':
        return { kind: 'own-text', slot: 'description', from: source }
      default:
        return null
    }
  }, [kind, source, value, picture, pattern, called, free])
  const planned = useMemo(() => {
    if (!pages || !change || !context || !drafts) return null
    return pages.map((page) => {
      const before = drafts.get(page.url)
      const open = before?.landedAt === null ? before : null
      return { page, open, made: bulkFields(page, sections.get(page.url) ?? '/', open?.fields ?? {}, change, context) }
    })
  }, [pages, change, context, drafts, sections])
  if (!pages || !context || !drafts) return <p className="p-5 text-quiet">Reading the pages …</p>
  const ready = planned?.filter(({ made }) => made !== null) ?? []
  const apply = async () => {
    const imageOf = (url: string) => context.images.get(url)
    const now = new Date()
    const step: DraftStep = {
      site,
      label: `draft for ${count(ready.length, 'page')}`,
      drafts: ready.map(({ page, open, made }) => ({
        url: page.url,
        before: open,
        after: draftWith(open, made!.fields, { site, page, imageOf, now }),
      })),
    }
    await doStep(step)
    onDone()
  }
  const chosen = valueSlot(kind)
  const chooseKind = (next: Kind) => {
    setKind(next)
    setValue(valueSlot(next)?.choices?.[0] ?? '')
    if (next === 'title-own' || next === 'description-own') setSource(OWN_TEXTS[next][0])
  }
  return (
    <>
      <div className="grid gap-3 px-5 py-4 sm:grid-cols-2">
        <label className="grid gap-1 font-semibold">
          What to draft
          <select
            className="field font-normal"
            value={kind}
            onChange={(event) => chooseKind(event.target.value as Kind)}
          >
            {KINDS.map((one) => (
              <option key={one.kind} value={one.kind}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        {(kind === 'title-own' || kind === 'description-own') && (
          <Choice name="Taken from" value={source} choices={OWN_TEXTS[kind]} onChange={setSource} />
        )}
        {chosen?.choices && <Choice name="Value" value={value} choices={chosen.choices} onChange={setValue} />}
        {chosen && !chosen.choices && (
          <label className="grid gap-1 font-semibold">
            Text
            <textarea
              className="field h-[58px]! resize-none py-1 font-normal"
              value={free}
              onChange={({ target }) => setFree(target.value)}
            />
          </label>
        )}
        {kind === 'title-pattern' && (
          <PatternField name="Pattern" example="{title}[ | {site}]1" value={pattern} onChange={setPattern} />
        )}
        {kind === 'picture' && (
          <div className="sm:col-span-2">
            {picture && <CardPicture run={run.id} url={picture} className="mb-2 w-[120px] rounded-[4px]" />}
            <Choices run={run.id} site={site} images={context.images} own={[]} onChoose={setPicture} />
          </div>
        )}
      </div>
      <section
        aria-label="What each page will say"
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto border-y border-line"
      >
        <table className="w-full text-left text-small">
          <thead className="sticky top-0 bg-soft">
            <tr>
              <th className="px-5 py-1 font-semibold">Page</th>
              <th className="px-2 py-1 font-semibold">Says now</th>
              <th className="px-5 py-1 font-semibold">Draft</th>
            </tr>
          </thead>
          <tbody>
            {(planned ?? []).slice(0, LISTED).map(({ page, open, made }) => (
              <tr key={page.url} className="border-t border-line align-top">
                <td className="px-5 py-[5px] font-mono text-fine [overflow-wrap:anywhere]">
                  {new URL(page.url).pathname}
                </td>
                <td className="px-2 py-[5px] text-quiet [overflow-wrap:anywhere]">
                  {made ? before(page, open?.fields[made.slot], made.slot) : ''}
                </td>
                <td className="px-5 py-[5px] [overflow-wrap:anywhere]">
                  {made ? made.value : <span className="text-quiet">offers nothing for this: left as it is</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {(planned?.length ?? 0) > LISTED && <p className="px-5 py-2 text-quiet">and {planned!.length - LISTED} more</p>}
      </section>
      <div className="flex items-center gap-3 px-5 py-3">
        <span className="text-quiet">
          {ready.length < rows.length
            ? `${ready.length} of ${count(rows.length, 'page')} will get a draft.`
            : `${count(ready.length, 'draft')} will be written.`}{' '}
          It can be undone.
        </span>
        <Dialog.Close className="button ml-auto">Cancel</Dialog.Close>
        <button type="button" className="button button-main" disabled={ready.length === 0} onClick={() => void apply()}>
          Write {count(ready.length, 'draft')}
        </button>
      </div>
    </>
  )
}

function before(page: ReadPage, drafted: string | null | undefined, slot: DraftSlot): string {
  if (drafted !== undefined) return `${drafted ?? 'taken out'} (draft)`
  const said = saidBy(page.facts, slotOf(slot).writes[0])
  return said === null ? 'nothing' : said.trim() === '' ? 'an empty tag' : said
}

function Choice({
  name,
  value,
  choices,
  onChange,
}: {
  name: string
  value: string
  choices: readonly string[]
  onChange: (value: string) => void
}) {
  return (
    <label className="grid gap-1 font-semibold">
      {name}
      <select className="field font-normal" value={value} onChange={(event) => onChange(event.target.value)}>
        {choices.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </select>
    </label>
  )
}
