'use client'

import {
  Bar,
  BarChart,
  Brush,
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import { histogram } from '@/core/cause'
import { AXIS, ChartFigure } from './chart-figure'

type Mark = { at: number; name: string }
type Props = {
  name: string
  values: { url: string; value: number }[]
  step: number
  most: number
  marks: readonly Mark[]
  /** A value as it is written on the axis. */
  written: (value: number) => string
  /** What the bars that are brushed hold; null: all. */
  onRange: (range: { from: number; to: number } | null) => void
}

/** How values are spread, with the marks where something begins to be lost. Brushing narrows the list of pages. */
export function Histogram({ name, values, step, most, marks, written, onRange }: Props) {
  const bars = histogram(
    values.map(({ value }) => value),
    step,
    most,
  ).map((bar) => ({ ...bar, label: written(bar.from) }))
  const labelOf = (at: number) => bars[Math.min(bars.length - 1, Math.floor(at / step))]!.label
  const table = () => (
    <table className="text-small">
      <thead>
        <tr>
          <th className="pr-6 text-left">From</th>
          <th className="text-left">Pages</th>
        </tr>
      </thead>
      <tbody>
        {bars
          .filter(({ count }) => count > 0)
          .map(({ label, count }) => (
            <tr key={label}>
              <td className="pr-6">{label}</td>
              <td>{count}</td>
            </tr>
          ))}
      </tbody>
    </table>
  )
  return (
    <ChartFigure name={name} table={table}>
      <section
        className="h-[180px]"
        aria-label={`${name}: ${bars
          .filter(({ count }) => count > 0)
          .map(({ label, count }) => `${count} from ${label}`)
          .join(', ')}`}
      >
        <ResponsiveContainer width="100%" height="100%">
          <BarChart data={bars} margin={{ top: 16, right: 12, bottom: 0, left: -18 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--line)" vertical={false} />
            <XAxis dataKey="label" tick={AXIS} tickLine={false} axisLine={{ stroke: 'var(--line)' }} minTickGap={18} />
            <YAxis tick={AXIS} tickLine={false} axisLine={false} allowDecimals={false} />
            <Tooltip
              cursor={{ fill: 'var(--soft)' }}
              contentStyle={{
                background: 'var(--sheet)',
                border: '1px solid var(--line)',
                borderRadius: 7,
                color: 'var(--ink)',
                fontSize: 12,
              }}
              formatter={(count) => [`${count}`, 'pages']}
              labelFormatter={(label) => `from ${label}`}
            />
            <Bar dataKey="count" fill="var(--good)" fillOpacity={0.65} isAnimationActive={false} />
            {marks
              .filter(({ at }) => at < most)
              .map(({ at, name: mark }) => (
                <ReferenceLine
                  key={mark}
                  x={labelOf(at)}
                  stroke="var(--ink)"
                  strokeDasharray="3 3"
                  label={{ value: mark, position: 'top', fontSize: 10.5, fill: 'var(--ink)' }}
                />
              ))}
            <Brush
              dataKey="label"
              height={18}
              travellerWidth={8}
              stroke="var(--quiet)"
              fill="var(--soft)"
              tickFormatter={() => ''}
              onChange={({ startIndex = 0, endIndex = bars.length - 1 }) => {
                const isAll = startIndex === 0 && endIndex === bars.length - 1
                onRange(
                  isAll
                    ? null
                    : {
                        from: bars[startIndex]!.from,
                        to: endIndex === bars.length - 1 ? Number.POSITIVE_INFINITY : bars[endIndex]!.to,
                      },
                )
              }}
            />
          </BarChart>
        </ResponsiveContainer>
      </section>
    </ChartFigure>
  )
}
