'use client'

import { useState } from 'react'
import type { ServedImage } from '@/core/crawl'
import { enlargedBy } from '@/core/image'
import { keepImages } from '@/store/images'
import { bytes } from '../../kit/words'
import { PictureStage } from '../../parts/picture/picture-stage'
import { keepMade } from '../../state/draft/draft-picture'
import { CARD_WISH, refitAddress } from '../../state/pictures/refit-name'
import { useFocus } from '../../state/pictures/use-focus'
import { useRefit } from '../../state/pictures/use-refit'
import { useObjectUrl, useWholePicture } from '../../state/pictures/whole-picture'

type Props = { run: string; site: string; image: ServedImage; onCut: (address: string) => void }

const { width, height } = CARD_WISH.shape

/** Can a picture be cut to the shape of cards? One that has it already is whole in all of them. */
export const canBeCut = (image: ServedImage | undefined): image is ServedImage =>
  image !== undefined &&
  image.errorCode === null &&
  image.width !== null &&
  image.height !== null &&
  !(image.width === width && image.height === height)

/** A draft's picture cut to the shape of cards around its focus, which belongs to the picture wherever it is used. */
export function CutPicture({ run, site, image, onCut }: Props) {
  const whole = useWholePicture(image)
  const picture = whole?.isWhole ? whole.blob : null
  const src = useObjectUrl(picture)
  const focus = useFocus(site, image.url, picture)
  const { made, isMaking, fault } = useRefit(picture, focus.focus, CARD_WISH)
  const result = useObjectUrl(made?.blob)
  const [failed, setFailed] = useState('')
  if (whole === undefined) return <p className="text-quiet">Reading the picture …</p>
  if (!picture)
    return (
      <p>
        {whole
          ? 'Only a small copy is left of this picture. Gather its pages again to cut it.'
          : 'No copy of this picture is left. Gather its pages again to cut it.'}
      </p>
    )
  const enlarged = made ? enlargedBy(made.plan) : null
  const use = async () => {
    if (!made) return
    const address = refitAddress(image.url, site, made.plan.shape, CARD_WISH.type)
    try {
      await keepImages([await keepMade(run, address, made, made.plan.shape, CARD_WISH.type)])
      onCut(address)
    } catch (error) {
      setFailed(`It could not be kept: ${error instanceof Error ? error.message : String(error)}`)
    }
  }
  return (
    <div className="grid gap-2">
      <p className="text-fine text-quiet">
        Drag the ring, or move it by the arrow keys, to where the subject is.
        {focus.origin === 'proposed' && ' It stands where we propose it.'}
      </p>
      <div className="h-[210px]">
        {src && made && (
          <PictureStage
            src={src}
            size={{ width: image.width!, height: image.height! }}
            groups={[]}
            chosen={null}
            zone={null}
            look="crops"
            refit={made.plan.crop}
            focus={focus.focus}
            onFocus={focus.set}
          />
        )}
      </div>
      <div className="grid grid-cols-[168px_minmax(0,1fr)] items-center gap-3">
        {result ? (
          <img src={result} alt="As it will be cut" className="w-full rounded-[4px] border border-line" />
        ) : (
          <span className="grid aspect-[1.91] place-items-center rounded-[4px] bg-soft text-fine text-quiet">
            Cutting …
          </span>
        )}
        <div className="grid gap-1 text-small">
          {made && (
            <span className={isMaking ? 'text-quiet' : undefined}>
              {width} × {height}, {bytes(made.blob.size)}
            </span>
          )}
          {made && !made.fits && <span className="text-warn">It can’t be made lighter without harm.</span>}
          {enlarged !== null && <span className="text-warn">Stretched to {enlarged} times its size.</span>}
          {(fault || failed) && <span className="text-wrong">{fault || failed}</span>}
          {focus.origin === 'set' && (
            <button
              type="button"
              className="justify-self-start text-pick hover:underline"
              onClick={() => focus.set(null)}
            >
              Focus as proposed
            </button>
          )}
          <button
            type="button"
            className="button button-main justify-self-start"
            disabled={!made || isMaking}
            onClick={() => void use()}
          >
            Draft this cut
          </button>
        </div>
      </div>
    </div>
  )
}
