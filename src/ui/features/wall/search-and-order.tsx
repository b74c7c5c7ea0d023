'use client'

import type { RefObject } from 'react'
import { useOwnText } from '../../kit/use-own-text'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState, Sort } from '../../state/view/view'

const SORTS: Record<Sort, string> = { worst: 'Worst first', address: 'By address', found: 'As found' }

/** Finds pages by words, and puts them in order. */
export function SearchAndOrder({
  view,
  goTo,
  searchField,
}: {
  view: RouteState
  goTo: GoTo
  searchField: RefObject<HTMLInputElement | null>
}) {
  const [text, setText] = useOwnText(view.search, (search) => goTo({ search }, 'replace'))
  return (
    <div className="ml-auto flex items-center gap-2">
      <label className="sr-only" htmlFor="wall-search">
        Search pages and their cards
      </label>
      <input
        id="wall-search"
        ref={searchField}
        type="search"
        placeholder="Search  /"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape' || event.key === 'Enter') event.currentTarget.blur()
        }}
        className="field h-[27px]! w-[124px]! px-2!"
      />
      <label className="sr-only" htmlFor="wall-sort">
        Order
      </label>
      <select
        id="wall-sort"
        value={view.sort}
        onChange={(event) => goTo({ sort: event.target.value as Sort }, 'replace')}
        className="h-[27px] rounded-[6px] border border-line bg-sheet px-1 text-small"
      >
        {Object.entries(SORTS).map(([sort, name]) => (
          <option key={sort} value={sort}>
            {name}
          </option>
        ))}
      </select>
    </div>
  )
}
