'use client'

import type { Face } from '@/core/surface/face'
import { CardPicture } from './card-picture'
import { useThumb } from './thumb-cache'

const WIDE_RATIO = 1.91

/** A card on the wall: the place's geometry and the place's very words, set in a legible size. */
export function WallCard({ run, surface, face }: { run: string; surface: string; face: Face }) {
  if (face.layout === 'bare') return <BareCard face={face} />
  if (face.layout === 'not-listed') return <NotListed face={face} />
  if (surface === 'search') return <SearchCard run={run} face={face} />
  if (face.layout === 'thumbnail' && face.image) {
    return (
      <div className="flex overflow-hidden rounded-card border border-line bg-card">
        <CardPicture run={run} url={face.image} ratio={1} className="w-[34%] shrink-0 self-start" />
        <CardText face={face} />
      </div>
    )
  }
  return (
    <div className="overflow-hidden rounded-card border border-line bg-card">
      {face.layout === 'wide' && face.image && <CardPicture run={run} url={face.image} ratio={WIDE_RATIO} />}
      {face.pictureFault && <MissingPicture reason={face.pictureFault} />}
      <CardText face={face} />
    </div>
  )
}

function CardText({ face }: { face: Face }) {
  return (
    <div className="min-w-0 flex-1 px-[10px] py-[8px] font-place text-card-ink">
      {face.siteLine && <div className="truncate text-[10.5px] leading-[15px] text-card-quiet">{face.siteLine}</div>}
      <div className="text-[13px] font-semibold leading-[16.5px] [overflow-wrap:anywhere]">{face.title}</div>
      {face.description && (
        <div className="mt-[2px] text-[11.5px] leading-[15.5px] text-card-quiet [overflow-wrap:anywhere]">
          {face.description}
        </div>
      )}
    </div>
  )
}

/** Nobody sees this box in the place itself, so it is drawn as a note of ours: hatched, with the reason. */
function MissingPicture({ reason }: { reason: string }) {
  return (
    <div className="border-b border-dashed border-line bg-[repeating-linear-gradient(135deg,transparent_0_6px,var(--soft)_6px_12px)] px-[10px] py-[7px] text-[11px] text-quiet [overflow-wrap:anywhere]">
      No picture here. {reason}
    </div>
  )
}

function BareCard({ face }: { face: Face }) {
  return (
    <div className="rounded-card border border-line bg-card px-[10px] py-[10px]">
      <div className="font-mono text-[11.5px] leading-[17px] text-card-ink underline decoration-line underline-offset-2 [overflow-wrap:anywhere]">
        {face.title}
      </div>
      {face.bareBecause && <div className="mt-1 text-[11px] text-quiet">{face.bareBecause}</div>}
    </div>
  )
}

function NotListed({ face }: { face: Face }) {
  return (
    <div className="rounded-card border border-dashed border-line px-[10px] py-[12px] text-quiet">
      <div className="font-semibold text-ink">Not listed</div>
      <div className="text-[11.5px]">{face.bareBecause}</div>
    </div>
  )
}

function SearchCard({ run, face }: { run: string; face: Face }) {
  const icon = useThumb(run, face.favicon)
  return (
    <div className="rounded-card border border-line bg-card px-[12px] py-[10px] font-place text-card-ink">
      <div className="flex items-center gap-[6px] text-[10.5px] leading-[16px] text-card-quiet">
        <span className="grid size-[15px] shrink-0 place-items-center overflow-hidden rounded-[3px] bg-soft">
          {icon && <img src={icon} alt="" className="size-[15px]" />}
        </span>
        <span className="truncate">{face.siteLine}</span>
      </div>
      <div className="mt-[3px] text-[15px] leading-[19px] underline decoration-card-quiet/50 underline-offset-[3px] [overflow-wrap:anywhere]">
        {face.title}
      </div>
      {face.description && (
        <div className="mt-[3px] text-[11.5px] leading-[15.5px] text-card-quiet [overflow-wrap:anywhere]">
          {face.description}
        </div>
      )}
    </div>
  )
}
