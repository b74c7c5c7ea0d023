'use client'

import { useEffect, useMemo, useState } from 'react'
import type { PictureEntry } from '@/core/check'
import type { ServedImage } from '@/core/crawl'
import { busiestPoint, type DetailMap, keepZone, MAX_WORKED_PIXELS, refitPlan, tooManyPixels } from '@/core/image'
import type { CropResult } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { Segments } from '../../kit/segments'
import { cropGroups } from '../../parts/picture/crop-groups'
import { PictureStage } from '../../parts/picture/picture-stage'
import { onPicture } from '../../state/pictures/picture-worker'
import { useFocus } from '../../state/pictures/use-focus'
import { useRefit } from '../../state/pictures/use-refit'
import { setWish, useWish } from '../../state/pictures/use-wish'
import { useObjectUrl, useWholePicture } from '../../state/pictures/whole-picture'
import type { GoTo } from '../../state/view/use-view'
import type { PictureLook, RouteState } from '../../state/view/view'
import { GuideButtons } from './guide-buttons'
import { KeptStrip } from './kept-strip'
import { pathOfPicture, pictureInShort } from './picture-facts'
import { PictureUses } from './picture-uses'
import { RecompressedView } from './recompressed-view'
import { RefitPane } from './refit-pane'

const LOOKS: { id: PictureLook; name: string }[] = [
  { id: 'crops', name: 'Crops' },
  { id: 'keep-zone', name: 'Keep zone only' },
  { id: 'recompressed', name: 'As recompressed' },
]

type Props = {
  view: RouteState
  goTo: GoTo
  run: StoredRun
  entry: PictureEntry
  image: ServedImage | undefined
  kept: CropResult[]
}

function useDetail(picture: Blob | null): DetailMap | null {
  const [detail, setDetail] = useState<DetailMap | null>(null)
  useEffect(() => {
    let isGone = false
    setDetail(null)
    if (picture) {
      // A hint and nothing more: where it can't be made, it is left out.
      onPicture('detail', { picture }).then(
        (found) => !isGone && setDetail(found),
        () => undefined,
      )
    }
    return () => {
      isGone = true
    }
  }, [picture])
  return detail
}

/** The chosen picture: what places keep of it in the middle, its refit, findings and pages at the side. */
export function OnePicture({ view, goTo, run, entry, image, kept }: Props) {
  const whole = useWholePicture(image)
  const picture = whole?.blob ?? null
  const src = useObjectUrl(picture)
  const focus = useFocus(run.source.site, entry.url, picture)
  const asked = useWish()
  const refit = { ...useRefit(picture, focus.focus, asked), set: setWish }
  const detail = useDetail(picture)
  const [uncounted, setUncounted] = useState<ReadonlySet<string>>(new Set())
  const shown = useMemo(() => kept.filter((one) => one.kind === 'kept'), [kept])
  const chosen = shown.find(({ surface }) => surface.id === view.surface) ?? shown[0] ?? null
  const size = image?.width && image.height ? { width: image.width, height: image.height } : null
  const counted = new Set(shown.map(({ surface }) => surface.id).filter((id) => !uncounted.has(id)))
  const zone = keepZone(shown.filter(({ surface }) => counted.has(surface.id)).map(({ crop }) => crop))
  const { site } = run.source
  const look = view.look
  return (
    <>
      <section
        aria-label="The picture"
        className="flex min-h-0 min-w-0 flex-col px-4 pt-3 max-md:border-t max-md:border-line"
      >
        <header className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1">
          <h2 className="min-w-0 truncate font-mono text-lead font-semibold" title={entry.url}>
            {pathOfPicture(entry.url, site)}
          </h2>
          <span className="text-quiet">{pictureInShort(image)}</span>
          {image?.colors === 'cmyk' && (
            <span className="text-warn">ink colours (CMYK): places show them differently, a refit is sRGB</span>
          )}
          <Segments
            className="ml-auto"
            name="How to look at the picture"
            choices={LOOKS}
            chosen={look}
            onChoose={(id) => goTo({ look: id }, 'replace')}
          />
        </header>
        {size && src && picture ? (
          <>
            <div className="min-h-0 flex-1 max-md:h-[300px] max-md:flex-none">
              {look === 'recompressed' ? (
                <RecompressedView
                  centre={detail ? busiestPoint(detail) : { x: 0.5, y: 0.5 }}
                  picture={picture}
                  src={src}
                  size={size}
                  kept={whole?.isWhole ? chosen : null}
                />
              ) : (
                <PictureStage
                  src={src}
                  size={size}
                  groups={cropGroups(kept, size)}
                  chosen={chosen?.surface.id ?? null}
                  zone={zone}
                  look={look}
                  refit={refitPlan(size, refit.wish.shape, refit.wish.focus, refit.wish.fill).crop}
                  focus={focus.focus}
                  onFocus={focus.set}
                />
              )}
            </div>
            {look === 'keep-zone' && <GuideButtons shape={refit.wish.shape} />}
            <div className="shrink-0 pt-3">
              <KeptStrip
                src={src}
                size={size}
                kept={kept}
                detail={detail}
                focus={focus.origin === 'middle' ? null : focus.focus}
                chosen={chosen?.surface.id ?? null}
                counted={counted}
                onChoose={(surface) => goTo({ surface }, 'replace')}
                onCount={(surface) =>
                  setUncounted((now) => {
                    const next = new Set(now)
                    if (!next.delete(surface)) next.add(surface)
                    return next
                  })
                }
              />
            </div>
          </>
        ) : (
          <NoPicture image={image} isReading={whole === undefined} />
        )}
      </section>
      <aside className="min-h-0 overflow-auto border-l border-line bg-sheet px-4 py-3 max-lg:col-span-2 max-lg:border-l-0 max-lg:border-t">
        <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
          {size && picture && (
            <RefitPane
              run={run}
              entry={entry}
              refit={refit}
              focus={focus}
              weight={image?.bytes ?? null}
              isWhole={whole?.isWhole ?? false}
              goTo={goTo}
            />
          )}
          <PictureUses entry={entry} site={site} goTo={goTo} />
        </div>
      </aside>
    </>
  )
}

function NoPicture({ image, isReading }: { image: ServedImage | undefined; isReading: boolean }) {
  const why = !image
    ? 'It was not read in this run.'
    : image.errorCode
      ? (image.error ?? image.errorCode)
      : isReading
        ? 'Reading the picture …'
        : (image.width ?? 0) * (image.height ?? 0) > MAX_WORKED_PIXELS
          ? tooManyPixels({ width: image.width!, height: image.height! })
          : 'No copy of it is left here. Gather its pages again to see it.'
  return <p className="grid flex-1 place-items-center rounded-[9px] bg-soft p-6 text-center text-quiet">{why}</p>
}
