'use client'

import { clsx } from 'clsx'
import { type CSSProperties, useDeferredValue, useMemo, useState } from 'react'
import { cutMarks, type Draft, editPage, effectiveEdits, type KnownDefaults, unfitIn } from '@/core/draft'
import { type CardContext, cardOf } from '@/core/surface'
import type { WallRow } from '@/store/database'
import { withSlot } from '../../state/draft/make-draft'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { ReadPage } from './use-pages'

type Field = 'title' | 'description'

export const TEXT_COLUMNS =
  'grid grid-cols-[220px_minmax(0,1fr)_minmax(0,1.5fr)] gap-3 max-md:grid-cols-[110px_minmax(0,1fr)_minmax(0,1fr)]'

type Props = {
  page: ReadPage
  row: WallRow | undefined
  draft: Draft | null
  defaults: KnownDefaults
  context: CardContext
  textOf: (field: Field) => string
  onChange: (field: Field, text: string) => void
  style: CSSProperties
}

/** One page's texts in the table, each with its length and the places that cut it. */
export function TextLine({ page, row, draft, defaults, context, textOf, onChange, style }: Props) {
  const path = row?.path ?? page.url
  return (
    <div
      className={clsx(TEXT_COLUMNS, 'absolute inset-x-0 items-start border-b border-line px-5 py-[5px]')}
      style={style}
    >
      <span className="truncate pt-[5px] font-mono text-fine" title={page.url}>
        {path}
      </span>
      {(['title', 'description'] as const).map((field) => (
        <TextCell
          // A text that was changed elsewhere is taken up again.
          key={`${field} ${textOf(field)}`}
          name={`${field === 'title' ? 'Title' : 'Description'} of ${path}`}
          field={field}
          text={textOf(field)}
          isDrafted={typeof draft?.fields[field] === 'string'}
          page={page}
          section={row?.section ?? '/'}
          draft={draft}
          defaults={defaults}
          context={context}
          onChange={(text) => onChange(field, text)}
        />
      ))}
    </div>
  )
}

function TextCell({
  name,
  field,
  text,
  isDrafted,
  page,
  section,
  draft,
  defaults,
  context,
  onChange,
}: {
  name: string
  field: Field
  text: string
  isDrafted: boolean
  page: ReadPage
  section: string
  draft: Draft | null
  defaults: KnownDefaults
  context: CardContext
  onChange: (text: string) => void
}) {
  const [typed, setTyped] = useState(text)
  // Typing comes first: the places that cut follow as soon as there is time.
  const shown = useDeferredValue(typed)
  const places = useSurfaces()
  const cuts = useMemo(() => {
    const fields = shown === text ? (draft?.fields ?? {}) : withSlot(draft?.fields ?? {}, field, shown)
    const imageOf = (url: string) => context.images.get(url)
    const edited = editPage(page, effectiveEdits(page, section, fields, defaults, imageOf).edits)
    return cutMarks(
      shown,
      field,
      // The tab of a browser cuts nearly every title: to say so of each would say nothing.
      places
        .filter(({ token }) => token !== null)
        .map((surface) => ({ surface, card: cardOf(edited, surface, context) })),
    )
  }, [shown, text, draft, field, page, section, defaults, context, places])
  const unfit = unfitIn(typed)
  const cutBy = cuts.flatMap((mark) => mark.places)
  return (
    <div className="min-w-0">
      <textarea
        aria-label={name}
        className={clsx(
          'h-[46px] w-full resize-none rounded-[5px] border px-2 py-[3px] text-small leading-[19px]',
          isDrafted ? 'border-pick bg-pick-soft' : 'border-line bg-sheet',
        )}
        value={typed}
        onChange={({ target }) => setTyped(target.value)}
        onBlur={() => typed !== text && unfit === null && onChange(typed)}
      />
      <p className="flex gap-2 text-fine text-quiet">
        <span className="font-mono tabular-nums">{[...shown].length}</span>
        {unfit !== null ? (
          <span role="alert" className="truncate text-wrong">
            Not taken: it holds {unfit}.
          </span>
        ) : (
          cuts.length > 0 && (
            <span
              className="truncate"
              title={cuts.map(({ places: who, lost }) => `${who.join(', ')}: “${lost}” is lost`).join('\n')}
            >
              {cutBy.length === 1 ? `${cutBy[0]} cuts it` : `${cutBy.length} places cut it`} after “
              {shown.slice(0, cuts[0]!.at).trim().split(/\s+/).slice(-2).join(' ')}”
            </span>
          )
        )}
      </p>
    </div>
  )
}
