'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo, useState } from 'react'
import type { Cause } from '@/core/cause'
import type { Requirements } from '@/core/requirements'
import { type Sample, type SectionSample, sampleSections, sectionName } from '@/core/section'
import { placeDifferences, representativePlaces, type Surface } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import { overviewOf } from '@/store/overviews'
import { Segments } from '../../kit/segments'
import { count } from '../../kit/words'
import { WallCard } from '../../parts/card/wall-card'
import { LEVEL_LOOK, LEVEL_SIGN } from '../../parts/levels'
import { lacksOf, notesToKnow } from '../../state/run/notes-to-know'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import { badgeOf } from '../../state/wall/select-rows'

/** Places offered: more side by side are no choice any more. */
const MAX_PLACES = 4
/** Changes told before the rest is counted. */
const MAX_CAUSES = 5

/** Sections shown before the rest is asked for. */
const MAX_SECTIONS = 6

const KINDS: Record<Sample<WallRow>['kind'], string> = {
  worst: 'the worst',
  typical: 'a typical one',
  best: 'the best',
}

type Props = { run: StoredRun; rows: WallRow[]; requirements: Requirements; goTo: GoTo }

/** What somebody who says yes has to see: the site's cards, what stands in the way, what is not known, what was taken on. */
export function Desk({ run, rows, requirements, goTo }: Props) {
  const surfaces = useSurfaces()
  const all = useMemo(
    () =>
      // A browser's tab is no place where a link is shared.
      surfaces.filter(({ id, token }) => token !== null && (requirements.surfaces?.includes(id) ?? true)),
    [surfaces, requirements],
  )
  const counting = useMemo(() => {
    const first = representativePlaces(all, MAX_PLACES)
    return [...first, ...all.filter((surface) => !first.includes(surface))].slice(0, MAX_PLACES)
  }, [all])
  const [chosen, setChosen] = useState<string | null>(null)
  const surface = counting.find(({ id }) => id === chosen) ?? counting[0] ?? surfaces[0]!
  const sections = useMemo(() => sampleSections(rows).slice(0, MAX_SECTIONS), [rows])
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_330px]">
      <section aria-label="The site’s cards" className="grid content-start gap-5">
        <div className="flex flex-wrap items-center gap-3">
          <h2 className="text-title font-semibold">As it is shared</h2>
          <Segments
            name="Place"
            size="small"
            choices={counting.map(({ id, name }) => ({ id, name }))}
            chosen={surface.id}
            onChoose={setChosen}
          />
        </div>
        {sections.map((one) => (
          <SectionCards key={one.section} sample={one} surface={surface} counting={all} goTo={goTo} />
        ))}
      </section>
      <aside className="grid content-start gap-5">
        <InTheWay run={run} goTo={goTo} />
        <NotLookedAt run={run} />
        <TakenOn requirements={requirements} />
      </aside>
    </div>
  )
}

function SectionCards({
  sample,
  surface,
  counting,
  goTo,
}: {
  sample: SectionSample<WallRow>
  surface: Surface
  counting: readonly Surface[]
  goTo: GoTo
}) {
  const { section, pages, samples } = sample
  const typical = samples.find(({ kind }) => kind === 'typical') ?? samples[0]
  const differs = typical ? placeDifferences(typical.page.faces, counting) : []
  return (
    <section aria-label={sectionName(section)}>
      <h3 className="mb-2 flex items-baseline gap-2">
        <span className="font-mono text-small">{sectionName(section)}</span>
        <span className="text-small text-quiet">{count(pages, 'page')}</span>
      </h3>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(300px,100%),1fr))] items-start gap-3">
        {samples.map(({ kind, page }) => (
          <SampleCard
            key={page.url}
            kind={kind}
            page={page}
            surface={surface}
            goTo={goTo}
            isAlone={samples.length === 1}
          />
        ))}
      </ul>
      {differs.length > 0 && <p className="mt-2 text-small text-quiet">{differs.join(' ')}</p>}
    </section>
  )
}

function SampleCard({
  kind,
  page: row,
  surface,
  goTo,
  isAlone,
}: Sample<WallRow> & { surface: Surface; goTo: GoTo; isAlone: boolean }) {
  const face = row.faces[surface.id]
  const badge = badgeOf(row, surface.id)
  if (!face) return null
  return (
    <li className="min-w-0 break-inside-avoid">
      <button
        type="button"
        className="block w-full text-left"
        aria-label={`${row.path} on ${surface.name}`}
        onClick={() => goTo({ area: 'page', page: row.path, surface: surface.id })}
      >
        <WallCard run={row.run} surface={surface} face={face} />
      </button>
      <p className="mt-1 flex items-baseline gap-2 text-fine">
        <span className="truncate font-mono" title={row.path}>
          {row.path}
        </span>
        <span className="ml-auto shrink-0 text-quiet">{isAlone ? '' : KINDS[kind]}</span>
      </p>
      {badge.level !== 'clear' && (
        <p className={`text-fine ${LEVEL_LOOK[badge.level]}`}>
          <span aria-hidden="true">{LEVEL_SIGN[badge.level]} </span>
          {badge.text}
        </p>
      )}
    </li>
  )
}

/** The changes that stand most in the way. */
function InTheWay({ run, goTo }: { run: StoredRun; goTo: GoTo }) {
  const stored = useLiveQuery(() => overviewOf(run.id), [run.id, run.touchedAt])
  const causes: Cause[] = stored?.causes ?? []
  const blocking = causes.filter(({ level }) => level === 'error')
  const shown = (blocking.length > 0 ? blocking : causes).slice(0, MAX_CAUSES)
  return (
    <section aria-label="In the way">
      <h2 className="mb-2 text-title font-semibold">
        {blocking.length > 0 ? `In the way: ${count(blocking.length, 'change')}` : 'Nothing is in the way'}
      </h2>
      {blocking.length === 0 && causes.length > 0 && (
        <p className="mb-2 text-quiet">{count(causes.length, 'change')} would make it better.</p>
      )}
      <ol className="grid gap-[10px]">
        {shown.map((cause) => (
          <li key={cause.id}>
            <button
              type="button"
              className="block text-left hover:underline [overflow-wrap:anywhere]"
              onClick={() => goTo({ area: 'causes', cause: cause.id })}
            >
              {cause.change}
            </button>
            <p className="text-small text-quiet">
              {count(cause.pages.length, 'page')}
              {cause.proved ? ', tried' : cause.needs ? `, needs ${cause.needs}` : ''}
            </p>
          </li>
        ))}
      </ol>
      {causes.length > shown.length && (
        <button
          type="button"
          className="mt-3 text-pick hover:underline"
          onClick={() => goTo({ area: 'causes', cause: null })}
        >
          All {causes.length} changes
        </button>
      )}
    </section>
  )
}

/** What the verdict does not know of. */
function NotLookedAt({ run }: { run: StoredRun }) {
  // What was not read whole stands beside the verdict.
  const lacks = lacksOf(run)
  const said = notesToKnow(run).slice(lacks.length)
  return (
    <section aria-label="Not looked at" className="border-t border-line pt-4">
      <h2 className="mb-1 font-semibold">Not looked at, and to know</h2>
      {said.length === 0 ? (
        <p className="text-quiet">{lacks.length === 0 ? 'Everything was read.' : 'What is said above.'}</p>
      ) : (
        <ul className="grid gap-1">
          {said.map((message) => (
            <li key={message}>{message}</li>
          ))}
        </ul>
      )}
    </section>
  )
}

/** What somebody has taken on, until when. */
function TakenOn({ requirements }: { requirements: Requirements }) {
  const waivers = requirements.waivers ?? []
  return (
    <section aria-label="Taken on" className="border-t border-line pt-4">
      <h2 className="mb-1 font-semibold">Taken on</h2>
      {waivers.length === 0 ? (
        <p className="text-quiet">Nothing is waived.</p>
      ) : (
        <ul className="grid gap-1">
          {waivers.map(({ rule, pages, by, until, reason }) => (
            <li key={`${rule} ${pages} ${by}`}>
              <span className="font-mono text-small">{rule}</span> on {pages ?? 'all pages'}, by {by}
              {until ? ` until ${until}` : ''}: {reason}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
