import type { IconMark, Surface } from '@/core/surface'

/** The geometry of a place in a few marks: where its picture stands, where its lines. */
export function SurfaceShape({ surface }: { surface: Pick<Surface, 'icon' | 'picture' | 'layoutBy' | 'textFirst'> }) {
  return (
    <svg viewBox="0 0 40 28" className="h-[25px] w-[36px] shrink-0" aria-hidden="true">
      <rect x=".5" y=".5" width="39" height="27" rx="3" fill="var(--card)" stroke="var(--line)" />
      {(surface.icon ?? iconOf(surface)).map(({ as, corner, ...box }, index) => (
        <rect key={index} {...box} rx={corner ?? 0} {...INK[as]} />
      ))}
    </svg>
  )
}

const INK: Record<IconMark['as'], { fill: string; stroke?: string; opacity: number }> = {
  picture: { fill: 'var(--quiet)', opacity: 0.45 },
  line: { fill: 'var(--ink)', opacity: 0.8 },
  thin: { fill: 'var(--ink)', opacity: 0.35 },
  outline: { fill: 'none', stroke: 'var(--quiet)', opacity: 0.6 },
}

const lines = (x: number, y: number, width: number): IconMark[] => [
  { as: 'line', x, y, width, height: 2.4 },
  { as: 'thin', x, y: y + 4.8, width: width * 0.7, height: 1.6 },
]

/** The icon of a place that brings none, after its layout. */
function iconOf({ picture, layoutBy, textFirst }: Pick<Surface, 'picture' | 'layoutBy' | 'textFirst'>): IconMark[] {
  if (picture === null || layoutBy === 'text') return lines(4, 9, 30)
  if (layoutBy === 'thumbnail')
    return textFirst
      ? [...lines(4, 10, 18), { as: 'picture', x: 25, y: 8, width: 12, height: 12, corner: 1.5 }]
      : [{ as: 'picture', x: 3, y: 8, width: 12, height: 12, corner: 1.5 }, ...lines(18, 10, 18)]
  return textFirst
    ? [...lines(4, 3.5, 26), { as: 'picture', x: 4, y: 12, width: 32, height: 14, corner: 2 }]
    : [{ as: 'picture', x: 1, y: 1, width: 38, height: 15, corner: 2.5 }, ...lines(4, 19, 28)]
}
