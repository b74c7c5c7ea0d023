'use client'

import { clsx } from 'clsx'
import { useLiveQuery } from 'dexie-react-hooks'
import { Popover } from 'radix-ui'
import { useRef, useState } from 'react'
import { resolveAddress } from '@/core/address'
import { pictureHelps } from '@/core/draft'
import type { GatheredImage } from '@/core/model'
import { imageAt } from '@/store/images'
import { FileButton } from '../../kit/file-button'
import { bytes, shortAddress } from '../../kit/words'
import { CardPicture } from '../../parts/card/card-picture'
import { OWN_PICTURE_TYPES } from '../../state/draft/own-picture'
import { CARD_WISH } from '../../state/pictures/refit-name'
import { CutPicture, canBeCut } from './cut-picture'
import { FieldState } from './field-head'
import { useOwnPicture } from './use-own-picture'

type Props = {
  run: string
  site: string
  value: string | null | undefined
  inherited: string | null
  inheritedFrom: string | null
  images: ReadonlyMap<string, GatheredImage>
  /** Pictures that the page itself names or shows. */
  own: readonly string[]
  onChange: (value: string | null | undefined) => void
}

/** Pictures offered at once. */
const OFFERED = 24

/** The picture of a draft: one that the run holds, or any address. */
export function DraftPictureField({ run, site, value, inherited, inheritedFrom, images, own, onChange }: Props) {
  const [open, setOpen] = useState<'choose' | 'cut' | null>(null)
  const row = useRef<HTMLDivElement>(null)
  const url = value === undefined ? inherited : value
  const image = url === null ? undefined : images.get(url)
  const stored = useLiveQuery(async () => (url === null ? undefined : await imageAt(run, url)), [run, url])
  const choose = (next: string | null | undefined) => {
    onChange(next)
    setOpen(null)
  }
  const taking = useOwnPicture(run, site, images, choose)
  return (
    <div {...taking.handlers}>
      <div className="mb-1 flex items-baseline gap-2">
        <span className="font-semibold">Picture</span>
        <FieldState value={value} inheritedFrom={inheritedFrom} />
        {image?.width && (
          <span className="ml-auto font-mono text-fine text-quiet">
            {image.width} × {image.height}
            {image.bytes !== null && `, ${bytes(image.bytes)}`}
          </span>
        )}
      </div>
      <Popover.Root open={open !== null} onOpenChange={(isOpen) => !isOpen && setOpen(null)}>
        <div
          ref={row}
          className={clsx(
            'flex items-center gap-3 rounded-card border bg-sheet p-[7px]',
            taking.isOver ? 'border-dashed border-pick' : 'border-line',
          )}
        >
          {url && <CardPicture run={run} url={url} className="w-[76px] shrink-0 rounded-[4px]" />}
          <span className="min-w-0 flex-1 truncate font-mono text-fine" title={url ?? undefined}>
            {url === null ? 'no picture' : shortAddress(url).split('/').at(-1)}
          </span>
          {canBeCut(stored) && (
            <button
              type="button"
              className="button h-[28px]! px-[9px]!"
              title={`Cut to ${CARD_WISH.shape.width} × ${CARD_WISH.shape.height} around its focus`}
              aria-expanded={open === 'cut'}
              onClick={() => setOpen(open === 'cut' ? null : 'cut')}
            >
              Cut
            </button>
          )}
          <Popover.Anchor asChild>
            <button
              type="button"
              className="button h-[28px]! px-[9px]!"
              aria-expanded={open === 'choose'}
              onClick={() => setOpen(open === 'choose' ? null : 'choose')}
            >
              Choose
            </button>
          </Popover.Anchor>
        </div>
        <Popover.Portal>
          <Popover.Content
            align="end"
            aria-label={open === 'cut' ? 'Cut the picture' : 'Choose a picture'}
            sideOffset={6}
            // The buttons of the row close it themselves.
            onInteractOutside={(event) => row.current?.contains(event.target as Node) && event.preventDefault()}
            className="z-30 w-[400px] max-w-[94vw] rounded-card border border-line bg-sheet p-3 shadow-xl"
          >
            {open === 'cut' && canBeCut(stored) ? (
              <CutPicture run={run} site={site} image={stored} onCut={choose} />
            ) : (
              <Choices run={run} site={site} images={images} own={own} onChoose={choose} />
            )}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {taking.fault && (
        <p role="alert" className="mt-1 text-small text-wrong">
          {taking.fault}
        </p>
      )}
      <div className="mt-1 flex gap-3 text-fine">
        {value !== undefined && (
          <button type="button" className="text-pick hover:underline" onClick={() => onChange(undefined)}>
            Inherit
          </button>
        )}
        {value !== null && (
          <button type="button" className="text-pick hover:underline" onClick={() => onChange(null)}>
            Take the tags out
          </button>
        )}
      </div>
    </div>
  )
}

/** Pictures of the run that are large enough, the page's own first, and a field for any other. */
export function Choices({
  run,
  site,
  images,
  own,
  onChoose,
}: Pick<Props, 'run' | 'site' | 'images' | 'own'> & { onChoose: (url: string) => void }) {
  const [typed, setTyped] = useState('')
  const taking = useOwnPicture(run, site, images, onChoose)
  const offered = pictureHelps(own, images.values()).slice(0, OFFERED)
  const address = resolveAddress(typed, site)
  return (
    <div {...taking.handlers}>
      <div
        className={clsx(
          'mb-2 flex flex-wrap items-center gap-2 rounded-[5px] border border-dashed px-2 py-[6px] text-small',
          taking.isOver ? 'border-pick' : 'border-line',
        )}
      >
        <FileButton
          accept={OWN_PICTURE_TYPES}
          label="Add an image of your own"
          className="h-[28px]!"
          onChosen={([file]) => void taking.take(file)}
        >
          Add an image …
        </FileButton>
        <span className="text-quiet">or drop or paste one here. It goes into the patch.</span>
        {taking.fault && (
          <span role="alert" className="w-full text-wrong">
            {taking.fault}
          </span>
        )}
      </div>
      <p className="mb-2 text-fine text-quiet">Pictures of this run from 600 × 315 on, the page’s own first.</p>
      <ul className="grid max-h-[260px] grid-cols-3 gap-2 overflow-auto">
        {offered.map(({ image, isOwn }) => (
          <li key={image.url}>
            <button
              type="button"
              className="block w-full text-left"
              title={image.url}
              onClick={() => onChoose(image.url)}
            >
              <CardPicture run={run} url={image.url} className="w-full rounded-[4px] border border-line" />
              <span className="block truncate font-mono text-sign">{image.url.split('/').at(-1)}</span>
              <span className="block text-sign text-quiet">
                {image.width} × {image.height}
                {isOwn && ', own'}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (address) onChoose(address)
        }}
      >
        <input
          className="field font-mono text-small"
          aria-label="Address of another picture"
          placeholder="/img/another.jpg"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <button type="submit" className="button" disabled={!address}>
          Use
        </button>
      </form>
    </div>
  )
}
