'use client'

import { useMemo, useState } from 'react'
import { pathOn, resolveAddress } from '@/core/address'
import { askAgain, emptyBox, type Holder, pageOfAddress, post, publish, type ShareBox, wait } from '@/core/compare'
import type { Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import type { StoredComparison } from '@/workers/compare-runs'
import { Notice } from '../../kit/notice'
import { SurfaceShape } from '../../parts/surface-shape'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { useComparisons } from '../../state/wall/use-comparison'
import { driftItems, firstPages } from './drift-items'
import { PageField } from './page-field'
import { PostedCard } from './posted-card'
import { useListKeys } from './use-list-keys'

type Props = { view: RouteState; goTo: GoTo; before: StoredRun; after: StoredRun }

/** A place with a cache of its own to practise on: post, edit, wait, ask again. Nothing is sent anywhere. */
export function BoxTab(props: Props) {
  const compared = useComparisons([props.before], props.after)
  if (compared.kind === 'working') return <Notice text="Holding the two runs against each other …" />
  if (compared.kind === 'failed') return <Notice text={compared.message} />
  return <Box {...props} compared={compared.value.get(props.before.id)!} />
}

const isHolder = (surface: Surface): surface is Surface & Holder => surface.holding !== null
const none = () => undefined

function Box({ view, goTo, before, after, compared }: Props & { compared: StoredComparison }) {
  const holders = useSurfaces().filter(isHolder)
  const surface = holders.find(({ id }) => id === view.surface) ?? holders[0]!
  const { site } = after.source
  const [boxes, setBoxes] = useState<Record<string, ShareBox>>({})
  const box = boxes[surface.id] ?? emptyBox
  const act = (change: (box: ShareBox) => ShareBox) =>
    setBoxes((all) => ({ ...all, [surface.id]: change(all[surface.id] ?? emptyBox) }))
  const pages = useMemo(() => {
    const sides = [compared.addresses.before, compared.addresses.after]
    return new Map(
      sides.flatMap((side) => [...side.pages.map((url): [string, string] => [url, url]), ...side.variants]),
    )
  }, [compared.addresses])
  const changed = useMemo(() => driftItems(compared, site).filter(({ kind }) => kind === 'changed'), [compared, site])
  const offered = useMemo(() => {
    const first = firstPages(pages).map((url) => pathOn(url, site))
    return [...new Set([...changed.slice(0, first.length).map(({ path }) => path), ...first])]
  }, [changed, pages, site])
  const [typed, setTyped] = useState(() => {
    const known = changed.find(({ path }) => path === view.page) ?? changed[0]
    return known?.path ?? '/'
  })
  const address = resolveAddress(typed.trim().replace(/^\//, '') || './', site)
  const page = address === null ? null : pageOfAddress(address, pages)
  const isRepainted = (of: string) =>
    compared.comparison.differences.get(pageOfAddress(of, pages) ?? '')?.cards.get(surface.id)?.image?.sameAddress ??
    false
  useListKeys({ length: 0, at: -1, onMove: none, goTo })
  const days = surface.holding.days.value
  return (
    <div className="grid h-full grid-cols-[290px_minmax(0,1fr)_300px] max-lg:grid-cols-[260px_minmax(0,1fr)] max-md:block">
      <section aria-label="What happens" className="min-h-0 overflow-auto border-r border-line px-4 py-3">
        <h2 className="font-display text-head font-semibold leading-tight">Share box</h2>
        <p className="text-quiet">
          A place in small, simulated in this tab: nothing is sent anywhere. Post a link, let the edit go live, and see
          who notices.
        </p>
        <label className="mt-3 grid gap-1">
          <span className="font-semibold">Place</span>
          <select
            className="field"
            value={surface.id}
            onChange={(event) => goTo({ surface: event.target.value }, 'replace')}
          >
            {holders.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <div className="mt-3">
          <PageField label="Link" value={typed} onChange={setTyped} offered={offered} />
        </div>
        {page === null && <p className="mt-1 text-small text-quiet">No page of the two runs has that address.</p>}
        <div className="mt-3 grid gap-2">
          <button
            type="button"
            className="button button-main justify-center"
            disabled={address === null || page === null}
            onClick={() => address && act((now) => post(now, address, surface, isRepainted))}
          >
            Post the link
          </button>
          <button
            type="button"
            className="button justify-center"
            onClick={() => act((now) => publish(now, now.live === 'before' ? 'after' : 'before'))}
          >
            {box.live === 'before' ? 'The edit goes live' : 'Take the edit back'}
          </button>
          <button
            type="button"
            className="button justify-center"
            disabled={address === null || page === null}
            onClick={() => address && act((now) => askAgain(now, address, surface))}
          >
            Ask the place again
          </button>
          <span className="grid grid-cols-2 gap-2">
            <button type="button" className="button justify-center" onClick={() => act((now) => wait(now, 1))}>
              A day passes
            </button>
            <button type="button" className="button justify-center" onClick={() => act((now) => wait(now, days + 1))}>
              {days + 1} days pass
            </button>
          </span>
          <button type="button" className="text-left text-pick hover:underline" onClick={() => act(() => emptyBox)}>
            Begin again
          </button>
        </div>
      </section>
      <section tabIndex={0} aria-label={`Posts on ${surface.name}`} className="min-h-0 overflow-auto px-5 py-3">
        <h3 className="flex items-center gap-3">
          <SurfaceShape surface={surface} />
          <b className="font-semibold">{surface.name}, simulated</b>
          <span className="ml-auto text-quiet">
            day {box.day} · the site is {box.live === 'before' ? 'as before the edit' : 'edited'}
          </span>
        </h3>
        {box.posts.length === 0 ? (
          <p className="mt-6 max-w-[46ch] text-quiet">
            Nothing is posted yet. The first post makes the place read the page; after that it shows its copy for about{' '}
            {days} {days === 1 ? 'day' : 'days'}.
          </p>
        ) : (
          <ol className="mt-3 grid max-w-[420px] gap-4">
            {[...box.posts].reverse().map((one) => (
              <PostedCard
                key={one.id}
                box={box}
                one={one}
                surface={surface}
                runs={{ before, after }}
                page={pageOfAddress(one.address, pages)}
                site={site}
              />
            ))}
          </ol>
        )}
      </section>
      <aside
        aria-label="What happened"
        className="min-h-0 overflow-auto border-l border-line bg-sheet px-4 py-3 max-lg:col-span-2 max-lg:border-l-0 max-lg:border-t"
      >
        <h3 className="font-semibold">What happened</h3>
        <ol className="mt-1 grid gap-2 text-small" aria-live="polite">
          {[...box.notes].reverse().map(({ day, text }, index) => (
            <li key={box.notes.length - index} className="grid grid-cols-[52px_minmax(0,1fr)]">
              <span className="tabular-nums text-quiet">day {day}</span>
              <span>{text}</span>
            </li>
          ))}
        </ol>
        {box.notes.length === 0 && <p className="text-quiet">Each step is told here, with its reason.</p>}
      </aside>
    </div>
  )
}
