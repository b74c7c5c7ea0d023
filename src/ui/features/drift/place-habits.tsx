'use client'

import { useEffect, useState } from 'react'
import type { Holder } from '@/core/compare'
import type { Figure, Surface } from '@/core/surface'
import { askingPatternFault, keepAskingPattern, readAskingPatterns } from './asking-pattern'

/** How a place holds on to copies, and the address at which it is asked to read a page again. */
export function PlaceHabits({ surface }: { surface: Surface & Holder }) {
  const { days, postedLinks, askingRenews, samePictureAddress, variants } = surface.holding
  const [pattern, setPattern] = useState('')
  useEffect(() => setPattern(readAskingPatterns()[surface.id] ?? ''), [surface.id])
  const fault = askingPatternFault(pattern)
  return (
    <section aria-label={`How ${surface.name} holds copies`}>
      <h2 className="font-semibold">{surface.name}</h2>
      <dl className="mt-1 grid gap-[5px] text-small">
        <Habit name="Holds a copy" figure={days} says={days.value === 1 ? 'about a day' : `about ${days.value} days`} />
        <Habit
          name="Posted links"
          figure={postedLinks}
          says={postedLinks.value === 'renewed' ? 'change when the copy is renewed' : 'stay as they were sent'}
        />
        <Habit
          name="Asking again renews"
          figure={askingRenews}
          says={askingRenews.value === 'text' ? 'the text; ask once more for the picture' : 'text and picture'}
        />
        <Habit
          name="Picture changed under its address"
          figure={samePictureAddress}
          says={samePictureAddress.value === 'kept' ? 'is not fetched until asked for' : 'is fetched again'}
        />
        <Habit
          name="http, https, slash, query"
          figure={variants}
          says={variants.value === 'apart' ? 'are held apart' : 'are one copy'}
        />
      </dl>
      <label className="mt-3 grid gap-1">
        <span className="font-semibold">Its own address for asking again</span>
        <input
          className="field font-mono text-small"
          placeholder="https://…?address={address}"
          value={pattern}
          spellCheck={false}
          aria-invalid={fault !== null}
          aria-describedby="asking-help"
          onChange={(event) => {
            setPattern(event.target.value)
            if (askingPatternFault(event.target.value) === null) keepAskingPattern(surface.id, event.target.value)
          }}
        />
      </label>
      <p id="asking-help" className={fault ? 'mt-1 text-small text-wrong' : 'mt-1 text-small text-quiet'}>
        {fault ??
          'O opens it in a tab of its own, with the page’s address in place of {address}. It is kept in this browser alone.'}
      </p>
    </section>
  )
}

function Habit({ name, figure, says }: { name: string; figure: Figure<unknown>; says: string }) {
  return (
    <div>
      <dt className="text-quiet">{name}</dt>
      <dd>
        {says} <span className="text-fine text-quiet">({figure.basis})</span>
      </dd>
    </div>
  )
}
