'use client'

import type { StoredRun } from '@/store/database'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import { type Place, useHeld } from './use-held'

/** Places that hold an old copy of a page, those that were asked, and those that show what it says. */
export function holdersOf(places: readonly Place[], page: string): Record<'open' | 'asked' | 'right', Place[]> {
  const of = (place: Place) => place.list.entries.filter((entry) => entry.page === page)
  const has = (place: Place, state: 'open' | 'asked') => of(place).some((entry) => entry.state === state)
  const open = places.filter((place) => has(place, 'open'))
  const asked = places.filter((place) => !open.includes(place) && has(place, 'asked'))
  return { open, asked, right: places.filter((place) => !open.includes(place) && !asked.includes(place)) }
}

/** Answers whether it is the page that is wrong or a place's copy of it. */
export function PageHolders({ run, page, goTo }: { run: StoredRun; page: string; goTo: GoTo }) {
  const held = useHeld(run, useSurfaces(), 'all')
  if (held?.kind !== 'ready' || held.value.launches.length === 0) return null
  const { open, asked, right } = holdersOf(held.value.places, page)
  if (open.length + asked.length === 0) return null
  const isLive = held.value.launches[0]!.id === run.id
  return (
    <section aria-label="Who holds an old copy" className="mt-5">
      <h3 className="mb-1 font-semibold">{isLive ? 'Who holds an old copy' : 'Who will hold an old copy'}</h3>
      <ul className="grid gap-[3px]">
        {open.map(({ surface }) => (
          <Line key={surface.id} goTo={goTo} id={surface.id} name={surface.name} says={saysOf(surface)} />
        ))}
        {asked.map(({ surface }) => (
          <Line key={surface.id} goTo={goTo} id={surface.id} name={surface.name} says="asked, not yet renewed" />
        ))}
      </ul>
      {right.length > 0 && (
        <p className="mt-1 text-quiet">
          As far as is known, {right.map(({ surface }) => surface.name).join(', ')}{' '}
          {right.length === 1 ? 'shows' : 'show'} what the page says.
        </p>
      )}
    </section>
  )
}

const saysOf = ({ holding }: Place['surface']) =>
  holding.postedLinks.value === 'renewed'
    ? 'links that are posted change once it is asked again'
    : 'links that are posted stay as they are; asking again helps the next ones'

function Line({ goTo, id, name, says }: { goTo: GoTo; id: string; name: string; says: string }) {
  return (
    <li className="flex flex-wrap items-baseline gap-x-2">
      <button
        type="button"
        className="w-[130px] text-left font-semibold hover:underline"
        onClick={() => goTo({ drift: 'held', surface: id }, 'replace')}
      >
        {name}
      </button>
      <span className="text-quiet">{says}</span>
    </li>
  )
}
