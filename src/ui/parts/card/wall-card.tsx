'use client'

import { clsx } from 'clsx'
import { type Face, isTextFirst } from '@/core/surface'
import { CardPicture } from './card-picture'
import { useThumb } from './thumb-cache'

const WIDE_RATIO = 1.91
/** A card on the wall: the place's geometry and the place's very words, set in a legible size. */
export function WallCard({ run, surface, face }: { run: string; surface: string; face: Face }) {
  if (face.layout === 'bare') return <BareCard face={face} />
  if (face.layout === 'not-listed') return <NotListed face={face} />
  if (surface === 'search') return <SearchCard run={run} face={face} />
  if (surface === 'tab') return <TabCard run={run} face={face} />
  const isAfter = isTextFirst(surface)
  const isUnseen = face.image !== null && face.pictureFault !== null
  if (face.layout === 'thumbnail' && face.image) {
    return (
      <div
        className={clsx('flex overflow-hidden rounded-card border border-line bg-card', isAfter && 'flex-row-reverse')}
      >
        <CardPicture
          run={run}
          url={face.image}
          ratio={1}
          isUnseen={isUnseen}
          className={clsx('shrink-0 self-start', isAfter ? 'm-[8px] w-[24%] rounded-[4px]' : 'w-[34%]')}
        />
        <CardText run={run} face={face} />
      </div>
    )
  }
  const isLarge = (face.layout === 'wide' || face.layout === 'natural') && face.image !== null
  const ratio = face.layout === 'natural' ? (face.ratio ?? WIDE_RATIO) : WIDE_RATIO
  const picture = isLarge && face.image !== null && (
    <CardPicture
      run={run}
      url={face.image}
      ratio={ratio}
      isUnseen={isUnseen}
      className={clsx(isAfter && 'mx-[10px] mb-[9px] rounded-[4px]')}
    />
  )
  return (
    <div className="overflow-hidden rounded-card border border-line bg-card">
      {!isAfter && picture}
      {face.pictureFault && !isUnseen && <MissingPicture reason={face.pictureFault} />}
      <CardText run={run} face={face} />
      {isAfter && picture}
    </div>
  )
}

function CardText({ run, face }: { run: string; face: Face }) {
  return (
    <div className="min-w-0 flex-1 px-[10px] py-[8px] font-place text-card-ink">
      {face.siteLine && (
        <div className="flex items-center gap-[5px] text-sign leading-[15px] text-card-quiet">
          {face.favicon && <Icon run={run} url={face.favicon} />}
          {face.themeColor && (
            <span
              title={`theme-color ${face.themeColor}`}
              className="size-[9px] shrink-0 rounded-[2px] border border-line"
              style={{ backgroundColor: face.themeColor }}
            />
          )}
          <span className="truncate">{face.siteLine}</span>
        </div>
      )}
      <div className="text-body font-semibold leading-[16.5px] [overflow-wrap:anywhere]">{face.title}</div>
      {face.description && (
        <div className="mt-[2px] text-fine leading-[15.5px] text-card-quiet [overflow-wrap:anywhere]">
          {face.description}
        </div>
      )}
      {(face.labels ?? []).length > 0 && (
        <dl className="mt-[5px] grid grid-cols-2 gap-x-2 text-fine leading-[14px]">
          {face.labels.map(({ label, data }) => (
            <div key={label} className="min-w-0">
              <dt className="truncate font-semibold">{label}</dt>
              <dd className="truncate text-card-quiet">{data}</dd>
            </div>
          ))}
        </dl>
      )}
      <RichLine face={face} />
    </div>
  )
}

/** Fields of a rich layout; what it lacks is our own note, and set apart. */
function RichLine({ face }: { face: Face }) {
  if (!face.rich) return null
  const { kind, shown, lacks } = face.rich
  return (
    <div className="mt-[4px] text-fine leading-[14.5px] text-card-quiet [overflow-wrap:anywhere]">
      {shown.length > 0 ? shown.join(' · ') : kind}
      {lacks.length > 0 && (
        <span className="mt-[3px] block border-t border-dashed border-line pt-[3px] font-sans">
          {kind} lacks {lacks.join(', ')}
        </span>
      )}
    </div>
  )
}

function Icon({ run, url }: { run: string; url: string | null }) {
  const icon = useThumb(run, url)
  return (
    <span className="grid size-[15px] shrink-0 place-items-center overflow-hidden rounded-[3px] bg-soft">
      {icon && <img src={icon} alt="" className="size-[15px]" />}
    </span>
  )
}

/** The place itself does not show this box, so it is drawn as a note of ours: hatched, with the reason. */
function MissingPicture({ reason }: { reason: string }) {
  return (
    <div className="border-b border-dashed border-line bg-[repeating-linear-gradient(135deg,transparent_0_6px,var(--soft)_6px_12px)] px-[10px] py-[7px] text-fine text-quiet [overflow-wrap:anywhere]">
      No picture here. {reason}
    </div>
  )
}

function BareCard({ face }: { face: Face }) {
  return (
    <div className="rounded-card border border-line bg-card px-[10px] py-[10px]">
      <div className="font-mono text-fine leading-[17px] text-card-ink underline decoration-line underline-offset-2 [overflow-wrap:anywhere]">
        {face.title}
      </div>
      {face.bareBecause && <div className="mt-1 text-fine text-quiet">{face.bareBecause}</div>}
    </div>
  )
}

function NotListed({ face }: { face: Face }) {
  return (
    <div className="rounded-card border border-dashed border-line px-[10px] py-[12px] text-quiet">
      <div className="font-semibold text-ink">Not listed</div>
      <div className="text-fine">{face.bareBecause}</div>
    </div>
  )
}

function SearchCard({ run, face }: { run: string; face: Face }) {
  return (
    <div className="rounded-card border border-line bg-card px-[12px] py-[10px] font-place text-card-ink">
      <div className="flex items-center gap-[6px] text-sign leading-[16px] text-card-quiet">
        <Icon run={run} url={face.favicon} />
        <span className="truncate">{face.siteLine}</span>
      </div>
      <div className="mt-[3px] text-lead leading-[19px] underline decoration-card-quiet/50 underline-offset-[3px] [overflow-wrap:anywhere]">
        {face.title}
      </div>
      {face.description && (
        <div className="mt-[3px] text-fine leading-[15.5px] text-card-quiet [overflow-wrap:anywhere]">
          {face.description}
        </div>
      )}
      <RichLine face={face} />
    </div>
  )
}

/** One line with an icon, as wide as it is there: what is cut is the card. */
function TabCard({ run, face }: { run: string; face: Face }) {
  return (
    <div className="rounded-card border border-line bg-soft px-[8px] py-[8px] font-place text-card-ink">
      <div className="flex max-w-[222px] items-center gap-[7px] rounded-[5px] bg-card px-[9px] py-[7px] text-small leading-[15px]">
        <Icon run={run} url={face.favicon} />
        <span className="truncate">{face.title}</span>
      </div>
    </div>
  )
}
