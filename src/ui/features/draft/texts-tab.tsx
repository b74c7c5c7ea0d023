'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { useMemo, useRef, useState } from 'react'
import {
  type Draft,
  type DraftSlot,
  readTextTable,
  saidBy,
  type TableReading,
  type TextRow,
  writeTextTable,
} from '@/core/draft'
import { groupBy } from '@/core/text'
import { saveFile } from '../../kit/save-file'
import { Segments } from '../../kit/segments'
import { textOfFile } from '../../kit/text-of-file'
import { count } from '../../kit/words'
import { doStep, undoStep, useHistory } from '../../state/draft/draft-history'
import { draftWith, withSlot } from '../../state/draft/make-draft'
import { useSelection } from '../../state/wall/selection'
import type { DraftsProps } from './drafts-props'
import { TEXT_COLUMNS, TextLine } from './text-line'
import { type ReadPage, usePages } from './use-pages'

const LINE_PX = 80

const builtTexts = ({ url, facts }: ReadPage): TextRow => ({
  url,
  title: saidBy(facts, 'og:title')?.trim() || (facts.title ?? ''),
  description: saidBy(facts, 'og:description')?.trim() || (facts.description ?? ''),
})

const openDraft = (draft: Draft | undefined) => (draft?.landedAt === null ? draft : null)

/** Titles and descriptions of all pages in one table, to type into, to take to a spreadsheet and back. */
export function TextsTab({ run, rows, site, drafts, defaults, context }: DraftsProps) {
  const selected = useSelection(run.id)
  const [isAll, setAll] = useState(selected.size === 0)
  const isNarrowed = !isAll && selected.size > 0
  const urls = useMemo(
    () => rows.flatMap(({ url }) => (!isNarrowed || selected.has(url) ? [url] : [])),
    [rows, isNarrowed, selected],
  )
  const rowOf = useMemo(() => new Map(rows.map((row) => [row.url, row])), [rows])
  const { undo } = useHistory()
  const pages = usePages(run.id, urls)
  const pane = useRef<HTMLDivElement>(null)
  const [reading, setReading] = useState<TableReading | null>(null)
  const virtual = useVirtualizer({
    count: pages?.length ?? 0,
    getScrollElement: () => pane.current,
    estimateSize: () => LINE_PX,
    overscan: 6,
  })
  if (!pages) return <p className="p-5 text-quiet">Reading the pages …</p>
  const imageOf = (url: string) => context.images.get(url)
  const built = new Map(pages.map((page) => [page.url, builtTexts(page)]))
  const textOf = (url: string, field: 'title' | 'description') =>
    openDraft(drafts.get(url))?.fields[field] ?? built.get(url)?.[field] ?? ''
  const change = (page: ReadPage, slot: DraftSlot & ('title' | 'description'), text: string) => {
    const before = openDraft(drafts.get(page.url))
    const fields = withSlot(before?.fields ?? {}, slot, text === builtTexts(page)[slot] ? undefined : text)
    const after = draftWith(before, fields, { site, page, imageOf, now: new Date() })
    void doStep(
      { site, label: `${slot} in the table`, drafts: [{ url: page.url, before, after }] },
      `${page.url} ${slot}`,
    )
  }
  const read = (text: string) => {
    const drafted = new Map(
      [...drafts.values()]
        .filter(({ landedAt }) => landedAt === null)
        .map(({ url, fields }) => [
          url,
          {
            ...(fields.title ? { title: fields.title } : {}),
            ...(fields.description ? { description: fields.description } : {}),
          },
        ]),
    )
    setReading(readTextTable(text, site, built, drafted))
  }
  const write = (changes: TableReading['changes']) => {
    const byPage = groupBy(changes, ({ url }) => url)
    const now = new Date()
    const steps = [...byPage].flatMap(([url, ofPage]) => {
      const page = pages.find((one) => one.url === url)
      if (!page) return []
      const before = openDraft(drafts.get(url))
      const fields = ofPage.reduce((all, { field, after }) => withSlot(all, field, after), before?.fields ?? {})
      return [{ url, before, after: draftWith(before, fields, { site, page, imageOf, now }) }]
    })
    void doStep({ site, label: `table of ${count(steps.length, 'page')}`, drafts: steps })
    setReading(null)
  }
  const table = (delimiter: ',' | '\t') =>
    writeTextTable(
      pages.map(({ url }) => ({ url, title: textOf(url, 'title'), description: textOf(url, 'description') })),
      delimiter,
    )
  return (
    <div className="flex h-full flex-col">
      <div className="flex shrink-0 flex-wrap items-center gap-2 border-b border-line px-5 py-2">
        {selected.size > 0 && (
          <Segments
            name="Pages in the table"
            size="small"
            choices={[
              { id: 'selected', name: `${selected.size} selected` },
              { id: 'all', name: `All ${rows.length}` },
            ]}
            chosen={isNarrowed ? 'selected' : 'all'}
            onChoose={(id) => setAll(id === 'all')}
          />
        )}
        <p className="mr-auto text-quiet">
          What is typed here is a draft for all places; a spreadsheet takes the table and gives it back.
        </p>
        <button
          type="button"
          className="button"
          disabled={undo === null}
          title={undo === null ? 'Nothing to undo' : `Undo: ${undo}`}
          onClick={() => void undoStep()}
        >
          Undo
        </button>
        <button type="button" className="button" onClick={() => void navigator.clipboard.writeText(table('\t'))}>
          Copy as a table
        </button>
        <button type="button" className="button" onClick={() => saveFile('texts.csv', table(','), 'text/csv')}>
          Save CSV
        </button>
        <label className="button cursor-pointer">
          Open CSV
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0]
              if (file) void textOfFile(file).then(read)
              event.target.value = ''
            }}
          />
        </label>
        <PasteBox onText={read} />
      </div>
      {reading && <ReadingView reading={reading} onWrite={write} onLeave={() => setReading(null)} />}
      <div className={clsx(TEXT_COLUMNS, 'shrink-0 border-b border-line bg-soft px-5 py-1 text-small font-semibold')}>
        <span>Page</span>
        <span>Title</span>
        <span>Description</span>
      </div>
      <section ref={pane} aria-label="Texts of all pages" className="min-h-0 flex-1 overflow-auto">
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((line) => {
            const page = pages[line.index]!
            return (
              <TextLine
                key={page.url}
                page={page}
                row={rowOf.get(page.url)}
                draft={openDraft(drafts.get(page.url))}
                defaults={defaults}
                context={context}
                textOf={(field) => textOf(page.url, field)}
                onChange={(field, text) => change(page, field, text)}
                style={{ transform: `translateY(${line.start}px)`, height: LINE_PX }}
              />
            )
          })}
        </div>
      </section>
    </div>
  )
}

/** A field that takes a table from the clipboard. */
function PasteBox({ onText }: { onText: (text: string) => void }) {
  return (
    <input
      className="field w-[170px]! text-small"
      aria-label="Paste a table here"
      placeholder="Paste a table here"
      value=""
      onChange={() => undefined}
      onPaste={(event) => {
        event.preventDefault()
        onText(event.clipboardData.getData('text/plain'))
      }}
    />
  )
}

/** What a table would change, before anything is written. */
function ReadingView({
  reading,
  onWrite,
  onLeave,
}: {
  reading: TableReading
  onWrite: (changes: TableReading['changes']) => void
  onLeave: () => void
}) {
  const { changes, unknown, faults } = reading
  const conflicts = changes.filter(({ conflict }) => conflict !== null)
  const plain = changes.filter(({ conflict }) => conflict === null)
  return (
    <section
      aria-label="What the table changes"
      className="max-h-[45%] shrink-0 overflow-auto border-b border-line bg-pick-soft px-5 py-3"
    >
      <div className="flex flex-wrap items-center gap-2">
        <b className="font-semibold">
          {changes.length === 0 ? 'The table changes nothing.' : `${count(changes.length, 'text')} would change.`}
        </b>
        {unknown.length > 0 && (
          <span>
            {count(unknown.length, 'row')} name no page of this run: {unknown.slice(0, 3).join(', ')}
            {unknown.length > 3 && ' …'}.
          </span>
        )}
        <span className="ml-auto flex gap-2">
          <button type="button" className="button" onClick={onLeave}>
            Leave it
          </button>
          {conflicts.length > 0 && plain.length > 0 && (
            <button type="button" className="button" onClick={() => onWrite(plain)}>
              Write all but the conflicts
            </button>
          )}
          {changes.length > 0 && (
            <button type="button" className="button button-main" onClick={() => onWrite(changes)}>
              {conflicts.length > 0 ? 'Write all' : `Write ${count(changes.length, 'text')}`}
            </button>
          )}
        </span>
      </div>
      {faults.map((fault) => (
        <p key={fault} className="text-wrong">
          {fault}
        </p>
      ))}
      {conflicts.length > 0 && (
        <>
          <p className="mt-2 font-semibold">
            {count(conflicts.length, 'conflict')}: a draft says something else already.
          </p>
          <ul className="text-small">
            {conflicts.map(({ url, field, before, after }) => (
              <li key={url + field} className="[overflow-wrap:anywhere]">
                <span className="font-mono">{new URL(url).pathname}</span> {field}: <s>{before}</s> → {after}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}
