'use client'

import { clsx } from 'clsx'
import { useState } from 'react'
import type { MetaFact, PageFacts } from '@/core/model'
import { isSame, type Spot } from '../../state/page/lit'
import { repeatedTags, tagsAsText } from './tag-table'

type Props = { facts: PageFacts; lit: Spot | null; onLit: (spot: Spot | null) => void }

/** Every meta tag of the page as it stands in the source, what is said twice, and the share links. */
export function TagsView({ facts, lit, onLit }: Props) {
  const repeated = repeatedTags(facts.metas)
  return (
    <div className="grid gap-4">
      {repeated.length > 0 && (
        <section>
          <h3 className="mb-1 font-semibold">Said more than once</h3>
          {repeated.map(({ key, first, last }) => (
            <div key={key} className="mb-2">
              <p className="font-mono text-small">{key}</p>
              <div className="grid grid-cols-2 gap-2 text-small">
                <Side name="first" meta={first} onLit={onLit} />
                <Side name="last" meta={last} onLit={onLit} />
              </div>
            </div>
          ))}
          <p className="text-small text-quiet">
            The surfaces here take the first; a place that takes the last shows the right-hand one.
          </p>
        </section>
      )}
      <section>
        <div className="mb-1 flex items-baseline">
          <h3 className="font-semibold">All tags</h3>
          <CopyButton text={tagsAsText(facts)} />
        </div>
        <table className="w-full table-fixed text-small">
          <colgroup>
            <col className="w-[34px]" />
            <col />
          </colgroup>
          <thead className="sr-only">
            <tr>
              <th>Line</th>
              <th>Tag and value</th>
            </tr>
          </thead>
          <tbody>
            {facts.metas.map((meta, index) => (
              <tr
                key={`${meta.line} ${meta.column} ${index}`}
                onMouseEnter={() => onLit(meta)}
                onMouseLeave={() => onLit(null)}
                className={clsx('border-t border-line align-top', isSame(meta, lit) && 'bg-pick-soft')}
              >
                <td className="py-[3px] tabular-nums text-quiet">{meta.line}</td>
                <td className="py-[3px] [overflow-wrap:anywhere]">
                  <span className="font-mono">{meta.key}</span>
                  {meta.attribute !== 'charset' && <span className="text-quiet"> {meta.attribute}</span>}
                  {!meta.inHead && <b className="font-semibold text-warn"> outside the head</b>}
                  <span className="block text-quiet">
                    {meta.value === null ? 'without content' : meta.value || 'empty'}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {facts.metas.length === 0 && <p className="text-quiet">The page has no meta tag at all.</p>}
      </section>
      <section>
        <h3 className="mb-1 font-semibold">Share links on the page</h3>
        {(facts.shareLinks ?? []).length === 0 && (
          <p className="text-small text-quiet">None: no link on it hands an address or a text to another site.</p>
        )}
        <ul className="grid gap-[5px] text-small">
          {(facts.shareLinks ?? []).map(({ href, line, column }) => (
            <li key={`${line} ${column}`} className="[overflow-wrap:anywhere]">
              <span className="text-quiet">line {line}</span> <span className="font-mono">{href}</span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}

function Side({ name, meta, onLit }: { name: string; meta: MetaFact; onLit: (spot: Spot | null) => void }) {
  return (
    <button
      type="button"
      onMouseEnter={() => onLit(meta)}
      onMouseLeave={() => onLit(null)}
      onFocus={() => onLit(meta)}
      onBlur={() => onLit(null)}
      className="flex cursor-default flex-col items-start text-left rounded-[5px] bg-soft px-[8px] py-[5px] [overflow-wrap:anywhere]"
    >
      <span className="block text-quiet">
        {name}, line {meta.line}
      </span>
      {meta.value || 'empty'}
    </button>
  )
}

function CopyButton({ text }: { text: string }) {
  const [said, setSaid] = useState('Copy')
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text)
      setSaid('Copied')
    } catch {
      setSaid('The browser did not allow it')
    }
  }
  return (
    <button type="button" className="ml-auto text-small text-pick hover:underline" onClick={copy}>
      {said}
    </button>
  )
}
