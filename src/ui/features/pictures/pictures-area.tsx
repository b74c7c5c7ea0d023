'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useCallback, useMemo, useState } from 'react'
import { commonKind, type PictureEntry } from '@/core/check'
import type { ServedImage } from '@/core/crawl'
import { cropsFor } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { imagesOf } from '@/store/images'
import { bookOf } from '@/store/overviews'
import { Notice } from '../../kit/notice'
import { count } from '../../kit/words'
import { MissingRun } from '../../parts/missing-run'
import type { Loaded } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { BatchBar } from './batch-bar'
import { ComposeArea } from './compose/compose-area'
import { OnePicture } from './one-picture'
import { orderPictures, type PictureOrder } from './picture-facts'
import { PictureList } from './picture-list'
import { PictureModes } from './picture-modes'

const ORDERS: { id: PictureOrder; name: string }[] = [
  { id: 'most-pages', name: 'Most pages first' },
  { id: 'worst', name: 'Worst first' },
  { id: 'heaviest', name: 'Heaviest first' },
  { id: 'smallest', name: 'Smallest first' },
]

/** Every share picture with the pages that it feeds, what places keep of it, and a way to make it right. */
export function PicturesArea({ view, goTo, run }: { view: RouteState; goTo: GoTo; run: Loaded<StoredRun> }) {
  const id = run.kind === 'ready' ? run.value.id : null
  const stored = useLiveQuery(
    async () =>
      id === null
        ? null
        : {
            book: await bookOf(id),
            images: await imagesOf(id),
          },
    [id],
  )
  if (run.kind === 'missing') return <MissingRun goTo={goTo} />
  if (run.kind === 'loading' || !stored) return <Notice text="Reading the run …" />
  if (!stored.book) {
    const text =
      run.value.state === 'running'
        ? 'Pictures are listed once the run is done.'
        : 'This run was gathered before pictures were listed. Run it again to see them.'
    return <Notice text={text} />
  }
  if (view.compose !== null) return <ComposeArea view={view} goTo={goTo} run={run.value} book={stored.book} />
  if (stored.book.length === 0)
    return (
      <Notice text="No page of this run names a share picture. Causes says which pages should.">
        <button type="button" className="button" onClick={() => goTo({ compose: 'neediest' })}>
          Compose pictures
        </button>
      </Notice>
    )
  return <Pictures view={view} goTo={goTo} run={run.value} book={stored.book} images={stored.images} />
}

type Props = {
  view: RouteState
  goTo: GoTo
  run: StoredRun
  book: PictureEntry[]
  images: ReadonlyMap<string, ServedImage>
}

function Pictures({ view, goTo, run, book, images }: Props) {
  const surfaces = useSurfaces()
  const [order, setOrder] = useState<PictureOrder>('most-pages')
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set())
  const entries = useMemo(() => orderPictures(book, images, order), [book, images, order])
  const chosen = entries.find(({ url }) => url === view.picture) ?? entries[0]!
  const choose = useCallback((picture: string) => goTo({ picture }, 'replace'), [goTo])
  const select = useCallback((url: string) => {
    setSelected((now) => {
      const next = new Set(now)
      if (!next.delete(url)) next.add(url)
      return next
    })
  }, [])
  const keptOfEntry = useCallback(
    (entry: PictureEntry) => {
      const image = images.get(entry.url)
      return image ? cropsFor(image, surfaces, commonKind(entry)) : []
    },
    [images, surfaces],
  )
  const pages = useMemo(() => new Set(book.flatMap(({ uses }) => uses.map(({ page }) => page))).size, [book])
  return (
    <div className="grid h-full grid-cols-[300px_minmax(0,1fr)_292px] max-lg:grid-cols-[250px_minmax(0,1fr)] max-md:block max-md:overflow-auto">
      <section aria-label="Share pictures" className="flex min-h-0 flex-col border-r border-line">
        <PictureModes view={view} goTo={goTo} />
        <header className="flex items-baseline gap-2 px-3 pb-2">
          <h1 className="min-w-0 flex-1 font-semibold">
            {count(book.length, 'picture')} on {count(pages, 'page')}
          </h1>
          <select
            aria-label="Order of the pictures"
            className="bg-transparent text-small text-quiet"
            value={order}
            onChange={({ target }) => setOrder(target.value as PictureOrder)}
          >
            {ORDERS.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </header>
        {selected.size > 0 && (
          <BatchBar
            run={run}
            entries={entries.filter(({ url }) => selected.has(url))}
            images={images}
            onAll={() => setSelected(new Set(entries.map(({ url }) => url)))}
            onNone={() => setSelected(new Set())}
          />
        )}
        <PictureList
          run={run.id}
          site={run.source.site}
          entries={entries}
          images={images}
          cropsFor={keptOfEntry}
          chosen={chosen.url}
          selected={selected}
          onChoose={choose}
          onSelect={select}
        />
      </section>
      <OnePicture
        key={chosen.url}
        view={view}
        goTo={goTo}
        run={run}
        entry={chosen}
        image={images.get(chosen.url)}
        kept={keptOfEntry(chosen)}
      />
    </div>
  )
}
