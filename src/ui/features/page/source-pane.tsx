'use client'

import { clsx } from 'clsx'
import { Fragment, memo, useEffect, useMemo, useRef } from 'react'
import type { Finding, GatheredPage } from '@/core/model'
import type { Card } from '@/core/surface'
import { markRows, type RowMark, rowOf, type Spot } from '../../state/page/lit'
import type { Editor } from '../../state/page/use-editor'
import { EditorSetting } from './editor-setting'

type Props = {
  page: GatheredPage
  cards: Card[]
  findings: Finding[]
  editor: Editor
  lit: Spot | null
  onLit: (spot: Spot | null) => void
}

const NAMES: [keyof typeof SIGN, string][] = [
  ['fed', 'fed a card'],
  ['passed', 'passed over'],
  ['fault', 'has a finding'],
]
const SIGN = { fed: '●', passed: '○', fault: '▲' } as const

function signOf(mark: RowMark): string {
  if (mark.level) return SIGN.fault
  return mark.fed ? SIGN.fed : mark.passed ? SIGN.passed : ''
}

const SIGN_LOOK = (mark: RowMark) =>
  clsx(mark.level === 'error' ? 'text-wrong' : mark.level ? 'text-warn' : 'text-good')

/** The page's head and the lines of the body that matter, each marked by what became of it. */
export const SourcePane = memo(function SourcePane({ page, cards, findings, editor, lit, onLit }: Props) {
  const marks = useMemo(() => markRows(page.source, cards, findings), [page, cards, findings])
  const litRow = rowOf(page.source, lit)
  const list = useRef<HTMLOListElement>(null)
  useEffect(() => {
    if (litRow >= 0) list.current?.children[litRow]?.scrollIntoView({ block: 'nearest' })
  }, [litRow])
  return (
    <section
      aria-label="Source of the page"
      tabIndex={0}
      className="flex min-h-0 flex-col overflow-auto border-r border-line bg-sheet max-lg:hidden max-md:order-3 max-md:flex max-md:shrink-0 max-md:border-r-0 max-md:border-t"
    >
      {page.source.length === 0 && (
        <p className="p-4 text-quiet">
          {page.facts
            ? 'No lines are kept of this page: it has none, or the run was opened from a document, which holds none. Look again reads them.'
            : 'There is no source: the page could not be read.'}{' '}
          {page.fetch.error}
        </p>
      )}
      <ol ref={list} className="py-2 font-mono text-fine leading-[19px]">
        {page.source.map((row, index) => {
          const mark = marks[index]!
          const previous = page.source[index - 1]
          const isGap = previous !== undefined && row.line > previous.line + 1
          const isMarked = mark.fed || mark.passed || mark.level !== null
          return (
            <li
              key={`${row.line}:${row.column}`}
              onMouseEnter={() => isMarked && onLit(row)}
              onMouseLeave={() => onLit(null)}
              className={clsx(
                'grid grid-cols-[38px_14px_1fr] items-baseline pr-3',
                isGap && 'border-t border-dashed border-line',
                litRow === index && 'bg-pick-soft',
                !isMarked && 'text-quiet',
              )}
            >
              <span className="pr-2 text-right text-quiet tabular-nums">
                {(row.column === 1 || previous?.line !== row.line) && (
                  <LineNumber line={row.line} href={editor.hrefOf(row)} />
                )}
              </span>
              <span className={clsx('text-sign', SIGN_LOOK(mark))} aria-hidden="true">
                {signOf(mark)}
              </span>
              <span className="whitespace-pre-wrap [overflow-wrap:anywhere]">
                <MarkedUp text={row.text} />
              </span>
            </li>
          )
        })}
      </ol>
      <p className="mt-auto flex gap-2 border-t border-line px-4 py-2 text-fine text-quiet">
        {NAMES.map(([key, name]) => (
          <Fragment key={key}>
            <span aria-hidden="true">{SIGN[key]}</span> {name}
            {'  '}
          </Fragment>
        ))}
        <EditorSetting pattern={editor.pattern} onPattern={editor.setPattern} />
      </p>
    </section>
  )
})

function LineNumber({ line, href }: { line: number; href: string | null }) {
  if (href === null) return line
  return (
    <a href={href} className="text-pick hover:underline" title="Open in your editor">
      {line}
    </a>
  )
}

const QUOTED = /("[^"]*"|'[^']*')/

/** A line of HTML with its quoted values set off. It is only ever text. */
function MarkedUp({ text }: { text: string }) {
  const isTag = text.trimStart().startsWith('<')
  if (!isTag) return text
  return text.split(QUOTED).map((part, index) =>
    index % 2 === 1 ? (
      <b key={index} className="font-semibold">
        {part}
      </b>
    ) : (
      <Fragment key={index}>{part}</Fragment>
    ),
  )
}
