'use client'

import { diffWordsWithSpace } from 'diff'
import { useMemo } from 'react'
import type { TagChange } from '@/core/surface'

/** Texts longer than this are shown whole, without marks: looking for words in common takes the square of them. */
const MAX_MARKED = 4000

/** What the tags said and say: words that went are struck, words that came are underlined. */
export function TagDifferences({ tags }: { tags: readonly TagChange[] }) {
  return (
    <section aria-label="Tags that changed" className="mt-5">
      <h3 className="mb-1 font-semibold">Tags</h3>
      <table className="w-full table-fixed border-collapse text-left text-small">
        <thead>
          <tr className="text-quiet">
            <th scope="col" className="w-[150px] pb-1 font-normal">
              Tag
            </th>
            <th scope="col" className="pb-1 pr-4 font-normal">
              Before
            </th>
            <th scope="col" className="pb-1 font-normal">
              Now
            </th>
          </tr>
        </thead>
        <tbody>
          {tags.map((tag) => (
            <TagRow key={tag.key} tag={tag} />
          ))}
        </tbody>
      </table>
    </section>
  )
}

function TagRow({ tag: { key, before, after } }: { tag: TagChange }) {
  const words = useMemo(() => {
    if (!before || !after || before.length + after.length > MAX_MARKED) return null
    return diffWordsWithSpace(before, after)
  }, [before, after])
  return (
    <tr className="border-t border-line align-top">
      <th scope="row" className="py-[5px] pr-2 font-mono text-small font-semibold [overflow-wrap:anywhere]">
        {key}
      </th>
      <td className="py-[5px] pr-4 [overflow-wrap:anywhere]">
        {words
          ? words.flatMap(({ value, added, removed }, index) =>
              added ? [] : [removed ? <del key={index}>{value}</del> : <span key={index}>{value}</span>],
            )
          : said(before)}
      </td>
      <td className="py-[5px] [overflow-wrap:anywhere]">
        {words
          ? words.flatMap(({ value, added, removed }, index) =>
              removed
                ? []
                : [
                    added ? (
                      <ins key={index} className="font-semibold decoration-2 underline-offset-2">
                        {value}
                      </ins>
                    ) : (
                      <span key={index}>{value}</span>
                    ),
                  ],
            )
          : said(after)}
      </td>
    </tr>
  )
}

const said = (value: string | null) =>
  value === null ? (
    <span className="text-quiet">not there</span>
  ) : value === '' ? (
    <span className="text-quiet">empty</span>
  ) : (
    value
  )
