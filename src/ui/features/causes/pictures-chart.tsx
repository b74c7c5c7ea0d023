'use client'

import { useMemo, useState } from 'react'
import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  Tooltip,
  XAxis,
  YAxis,
  ZAxis,
} from 'recharts'
import { chartMarks, type PictureSize } from '@/core/cause'
import type { WallRow } from '@/store/database'
import { bytes } from '../../kit/words'
import type { GoTo } from '../../state/view/use-view'
import { AXIS, ChartFigure } from './chart-figure'
import { Histogram } from './histogram'
import { PageLinks } from './page-links'

/** Beyond this a picture is drawn at the edge: one giant must not crush all others into a corner. */
const MAX_PX = 2600

/** Share pictures by width and height with the sizes that decide, and by weight. */
export function PicturesChart({ pictures, rows, goTo }: { pictures: PictureSize[]; rows: WallRow[]; goTo: GoTo }) {
  const [range, setRange] = useState<{ from: number; to: number } | null>(null)
  const [picture, setPicture] = useState<PictureSize | null>(null)
  const sized = useMemo(
    () =>
      pictures.flatMap((one) =>
        one.width && one.height
          ? [{ ...one, x: Math.min(one.width, MAX_PX), y: Math.min(one.height, MAX_PX), uses: one.pages.length }]
          : [],
      ),
    [pictures],
  )
  const weights = useMemo(
    () => pictures.flatMap(({ url, bytes: value }) => (value === null ? [] : [{ url, value }])),
    [pictures],
  )
  const chosen = picture
    ? [picture]
    : range
      ? pictures.filter(({ bytes: weight }) => weight !== null && weight >= range.from && weight < range.to)
      : pictures
  const pages = [...new Set(chosen.flatMap((one) => one.pages))]
  return (
    <div className="grid gap-5">
      <ChartFigure
        name="Width and height, pixels"
        about={`${sized.length} pictures; a larger dot feeds more pages`}
        table={() => <PictureTable pictures={sized} onChoose={setPicture} />}
      >
        <div
          className="h-[270px]"
          role="img"
          aria-label={`${sized.length} pictures by width and height; the same as a table by the button above`}
        >
          <ResponsiveContainer width="100%" height="100%">
            <ScatterChart margin={{ top: 14, right: 92, bottom: 4, left: -8 }} accessibilityLayer={false}>
              <CartesianGrid stroke="var(--line)" />
              <XAxis
                type="number"
                dataKey="x"
                name="width"
                domain={[0, 'dataMax']}
                tick={AXIS}
                tickLine={false}
                axisLine={{ stroke: 'var(--line)' }}
              />
              <YAxis
                type="number"
                dataKey="y"
                name="height"
                domain={[0, 'dataMax']}
                tick={AXIS}
                tickLine={false}
                axisLine={{ stroke: 'var(--line)' }}
              />
              <ZAxis dataKey="uses" range={[36, 200]} name="pages" />
              {chartMarks.size.flatMap(({ width, height, name }) => [
                <ReferenceLine
                  key={`${name} x`}
                  x={width}
                  stroke="var(--ink)"
                  strokeDasharray="3 3"
                  strokeOpacity={0.55}
                />,
                <ReferenceLine
                  key={`${name} y`}
                  y={height}
                  stroke="var(--ink)"
                  strokeDasharray="3 3"
                  strokeOpacity={0.55}
                  label={{ value: name, position: 'right', fontSize: 10, fill: 'var(--ink)' }}
                />,
              ])}
              <Tooltip
                content={({ payload }) => {
                  const one = payload?.[0]?.payload as PictureSize | undefined
                  if (!one) return null
                  return (
                    <div className="rounded-card border border-line bg-sheet px-3 py-2 text-small">
                      <p className="font-mono">{one.url.split('/').at(-1)}</p>
                      <p className="text-quiet">
                        {one.width} × {one.height}
                        {one.bytes !== null && `, ${bytes(one.bytes)}`}
                      </p>
                    </div>
                  )
                }}
              />
              <Scatter
                data={sized}
                fill="var(--pick)"
                fillOpacity={0.6}
                isAnimationActive={false}
                onClick={(point) => setPicture((point as unknown as { payload: PictureSize }).payload)}
              />
            </ScatterChart>
          </ResponsiveContainer>
        </div>
      </ChartFigure>
      <Histogram
        name="Weight"
        values={weights}
        step={25_000}
        most={800_000}
        marks={chartMarks.weight}
        written={(value) => (value === 0 ? '0' : bytes(value))}
        onRange={(next) => {
          setRange(next)
          setPicture(null)
        }}
      />
      {picture && (
        <p>
          <span className="font-mono text-small">{picture.url.split('/').at(-1)}</span>{' '}
          <button type="button" className="text-pick hover:underline" onClick={() => setPicture(null)}>
            All pictures again
          </button>
        </p>
      )}
      <PageLinks
        urls={pages}
        rows={rows}
        about={
          picture
            ? 'with this picture.'
            : range
              ? 'with pictures of this weight.'
              : 'with a picture; click a dot, or draw the handles, to narrow them down.'
        }
        goTo={goTo}
      />
    </div>
  )
}

/** The same as a table. */
function PictureTable({ pictures, onChoose }: { pictures: PictureSize[]; onChoose: (one: PictureSize) => void }) {
  return (
    <table className="text-small">
      <thead>
        <tr>
          <th className="pr-6 text-left">Picture</th>
          <th className="pr-6 text-left">Size</th>
          <th className="pr-6 text-left">Weight</th>
          <th className="text-left">Pages</th>
        </tr>
      </thead>
      <tbody>
        {pictures.map((one) => (
          <tr key={one.url}>
            <td className="pr-6 font-mono">
              <button type="button" className="text-pick hover:underline" onClick={() => onChoose(one)}>
                {one.url.split('/').at(-1)}
              </button>
            </td>
            <td className="pr-6">
              {one.width} × {one.height}
            </td>
            <td className="pr-6">{one.bytes === null ? '' : bytes(one.bytes)}</td>
            <td>{one.pages.length}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
