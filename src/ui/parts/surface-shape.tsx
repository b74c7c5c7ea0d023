import type { Surface } from '@/core/surface'
import { ownEntry } from '@/core/text'

/** The geometry of a place in a few strokes: where its picture stands, where its lines. */
export function SurfaceShape({ surface }: { surface: Pick<Surface, 'id' | 'picture' | 'layoutBy'> }) {
  return (
    <svg viewBox="0 0 40 28" className="h-[25px] w-[36px] shrink-0" aria-hidden="true">
      <rect x=".5" y=".5" width="39" height="27" rx="3" fill="var(--card)" stroke="var(--line)" />
      {ownEntry(SHAPES, surface.id) ?? SHAPES[likeness(surface)]}
    </svg>
  )
}

/** One of ours that a place of somebody's own looks like. */
const likeness = ({ picture: rules, layoutBy }: Pick<Surface, 'picture' | 'layoutBy'>) =>
  rules === null || layoutBy === 'text' ? 'search' : layoutBy === 'thumbnail' ? 'feed-reply' : 'wide-feed'

const picture = { fill: 'var(--quiet)', opacity: 0.45 }
const line = { fill: 'var(--ink)', opacity: 0.8 }
const thin = { fill: 'var(--ink)', opacity: 0.35 }

const SHAPES: Record<string, React.ReactNode> = {
  'wide-feed': (
    <>
      <rect x="1" y="1" width="38" height="15" rx="2.5" {...picture} />
      <rect x="4" y="19" width="28" height="2.4" {...line} />
      <rect x="4" y="23.4" width="18" height="1.6" {...thin} />
    </>
  ),
  'feed-reply': (
    <>
      <rect x="3" y="8" width="12" height="12" rx="1.5" {...picture} />
      <rect x="18" y="10" width="18" height="2.4" {...line} />
      <rect x="18" y="15.5" width="12" height="1.6" {...thin} />
    </>
  ),
  microblog: (
    <>
      <rect x="1" y="1" width="38" height="18" rx="2.5" {...picture} />
      <rect x="4" y="22" width="22" height="2.4" {...line} />
    </>
  ),
  'work-feed': (
    <>
      <rect x="1" y="1" width="38" height="14" rx="2.5" {...picture} />
      <rect x="4" y="18" width="31" height="2.2" {...line} />
      <rect x="4" y="22.4" width="22" height="2.2" {...line} />
    </>
  ),
  'picture-board': (
    <>
      <rect x="11" y="1" width="18" height="21" rx="2" {...picture} />
      <rect x="11" y="24" width="14" height="2" {...line} />
    </>
  ),
  'team-chat': (
    <>
      <rect x="4" y="3.5" width="26" height="2.2" {...line} />
      <rect x="4" y="8" width="32" height="1.5" {...thin} />
      <rect x="4" y="11" width="28" height="1.5" {...thin} />
      <rect x="4" y="15" width="19" height="10" rx="1.5" {...picture} />
    </>
  ),
  'community-chat': (
    <>
      <rect x="4" y="5" width="19" height="2.4" {...line} />
      <rect x="4" y="10.5" width="18" height="1.5" {...thin} />
      <rect x="4" y="14" width="19" height="1.5" {...thin} />
      <rect x="4" y="17.5" width="13" height="1.5" {...thin} />
      <rect x="27" y="5" width="9" height="9" rx="1.5" {...picture} />
    </>
  ),
  'phone-chat': (
    <>
      <rect x="7" y="2" width="26" height="12" rx="2" {...picture} />
      <rect x="7" y="17" width="22" height="2.2" {...line} />
      <rect x="7" y="21.5" width="24" height="1.5" {...thin} />
    </>
  ),
  search: (
    <>
      <circle cx="6" cy="6" r="2" {...picture} />
      <rect x="10" y="5" width="14" height="1.6" {...thin} />
      <rect x="4" y="11" width="27" height="2.8" {...line} />
      <rect x="4" y="17.5" width="32" height="1.6" {...thin} />
      <rect x="4" y="21.5" width="25" height="1.6" {...thin} />
    </>
  ),
  tab: (
    <>
      <rect x="3" y="9" width="25" height="10" rx="2.5" fill="none" stroke="var(--quiet)" opacity=".6" />
      <circle cx="8" cy="14" r="2" {...picture} />
      <rect x="12" y="12.8" width="13" height="2.2" {...line} />
    </>
  ),
}
