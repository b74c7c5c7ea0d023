'use client'

import { useMemo } from 'react'
import type { PageDifference } from '@/core/compare'
import { type CardPart, cardOf, type Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { clockTime, dayAndTime } from '../../kit/words'
import { TrueCard } from '../../parts/card/true-card'
import { CheckName } from '../../parts/check-name'
import { partsInWords } from '../../parts/part-words'
import { SurfaceBar } from '../../parts/surface-bar'
import { useCardContext } from '../../state/run/use-card-context'
import { useStoredPage } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import type { DriftItem } from './drift-items'
import { PageHolders } from './page-holders'
import { TagDifferences } from './tag-differences'

type Props = {
  view: RouteState
  goTo: GoTo
  before: StoredRun
  after: StoredRun
  item: DriftItem
  difference: PageDifference | null
}

const NONE: ReadonlySet<CardPart> = new Set()

/** One page in both runs: its two cards with the parts that differ outlined, its tags, its findings. */
export function ChangeDetail({ view, goTo, before, after, item, difference }: Props) {
  const surfaces = useSurfaces()
  const surface = surfaces.find(({ id }) => id === view.surface) ?? surfaces[0]!
  const differing = useMemo(() => ({ ids: new Set(item.surfaces), says: 'changed' }), [item])
  const card = difference?.cards.get(surface.id)
  const marked = useMemo(() => (card ? new Set(card.parts) : NONE), [card])
  return (
    <section aria-label={`${item.path} in both runs`} className="min-h-0 overflow-auto px-5 pb-6 pt-3">
      <header className="flex flex-wrap items-baseline gap-3">
        <h2 className="font-mono text-lead font-semibold [overflow-wrap:anywhere]">{item.path}</h2>
        {item.kind !== 'removed' && (
          <button
            type="button"
            className="text-pick hover:underline"
            onClick={() => goTo({ area: 'page', page: item.to?.path ?? item.path })}
          >
            Open the page
          </button>
        )}
      </header>
      <div className="mt-2">
        <SurfaceBar view={{ surface: surface.id, beside: null }} goTo={goTo} marked={differing} />
      </div>
      <p className="mt-2" aria-live="polite">
        {wordsFor(item, surface, card?.parts ?? [])}
        {card?.image && ` ${pictureWords(card.image)}`}
      </p>
      <div className="mt-3 grid grid-cols-2 gap-5 max-md:grid-cols-1">
        <Side
          title="Before"
          run={before}
          url={item.kind === 'added' ? null : item.url}
          surface={surface}
          marked={marked}
        />
        <Side
          title="Now"
          run={after}
          url={item.kind === 'removed' ? null : (item.to?.url ?? item.url)}
          surface={surface}
          marked={marked}
        />
      </div>
      {difference && difference.tags.length > 0 && <TagDifferences tags={difference.tags} />}
      <Findings item={item} />
      <PageHolders run={after} page={item.url} goTo={goTo} />
    </section>
  )
}

function wordsFor(item: DriftItem, surface: Surface, parts: readonly CardPart[]): string {
  if (item.kind === 'added') return 'The page is new.'
  if (item.kind === 'removed')
    return 'The page is not there any more. Places that hold a copy of its card still show it.'
  if (item.kind === 'moved')
    return `The page is now at ${item.to?.path}. Copies hang on the address they were taken from.`
  if (parts.length > 0) return `On ${surface.name}, outlined: ${partsInWords(parts)}.`
  return item.surfaces.length === 0 ? 'No card shows the difference.' : `${surface.name} shows what it did.`
}

function pictureWords({ sameAddress, samePicture }: { sameAddress: boolean; samePicture: boolean }): string {
  if (sameAddress) return 'The picture has the address it had, and another content: many places never fetch it again.'
  return samePicture ? 'It is the same picture under another address.' : ''
}

type SideProps = {
  title: string
  run: StoredRun
  /** null where the run has no such page. */
  url: string | null
  surface: Surface
  marked: ReadonlySet<CardPart>
}

/** The page's card in one of the runs. */
function Side({ title, run, url, surface, marked }: SideProps) {
  const stored = useStoredPage(url === null ? null : run.id, url)
  const context = useCardContext(run)
  const page = stored.kind === 'ready' ? stored.value.page : null
  const card = useMemo(() => (page && context ? cardOf(page, surface, context) : null), [page, surface, context])
  return (
    <article aria-label={title} className="min-w-0">
      <h3 className="mb-[6px] flex items-baseline gap-2">
        <b className="font-semibold">{title}</b>
        <span className="text-quiet">
          {page ? `fetched ${clockTime(page.fetch.fetchedAt)}, run of ` : 'run of '}
          {dayAndTime(run.startedAt)}
        </span>
      </h3>
      <div>
        {card ? (
          <TrueCard run={run.id} surface={surface} card={card} lit={null} onLit={nothing} marked={marked} />
        ) : (
          <p className="rounded-card border border-dashed border-line px-3 py-4 text-quiet">
            {url === null || stored.kind === 'missing' ? 'This run has no such page.' : 'Reading the page …'}
          </p>
        )}
      </div>
    </article>
  )
}

const nothing = () => undefined

function Findings({ item: { came, went } }: { item: DriftItem }) {
  if (came.length + went.length === 0) return null
  return (
    <section aria-label="Findings that came and went" className="mt-5">
      <h3 className="mb-1 font-semibold">Findings</h3>
      <ul className="grid gap-[3px]">
        {[...came.map((rule) => ({ rule, isNew: true })), ...went.map((rule) => ({ rule, isNew: false }))].map(
          ({ rule, isNew }) => (
            <li key={`${rule} ${isNew}`} className="flex items-baseline gap-2">
              <span className={isNew ? 'w-[42px] font-semibold text-wrong' : 'w-[42px] font-semibold text-good'}>
                {isNew ? 'came' : 'went'}
              </span>
              <CheckName id={rule} />
            </li>
          ),
        )}
      </ul>
    </section>
  )
}
