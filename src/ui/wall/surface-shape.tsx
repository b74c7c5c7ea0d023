/** The geometry of a place in a few strokes: where its picture stands, where its lines. */
export function SurfaceShape({ id }: { id: string }) {
  return (
    <svg viewBox="0 0 40 28" className="h-[28px] w-[40px] shrink-0" aria-hidden="true">
      <rect x=".5" y=".5" width="39" height="27" rx="3" fill="var(--card)" stroke="var(--line)" />
      {SHAPES[id] ?? SHAPES['wide-feed']}
    </svg>
  )
}

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
  microblog: (
    <>
      <rect x="1" y="1" width="38" height="18" rx="2.5" {...picture} />
      <rect x="4" y="22" width="22" height="2.4" {...line} />
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
}
