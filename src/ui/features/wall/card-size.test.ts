import { describe, expect, test } from 'vitest'
import { cardWidth } from '@/core/sheet'
import { search, surfaceOf, surfaces, wideFeed } from '@/core/testing/places'
import { columnsFor } from './card-size'

describe('cards in rows', () => {
  test.each(surfaces.map((surface) => [surface.id, surface] as const))(
    'on %s a medium card is at least 0.6 of its size wherever the pane has room for one',
    (_id, surface) => {
      for (let widthPx = 620; widthPx <= 2000; widthPx += 20) {
        const { columns, columnPx, gapPx } = columnsFor(widthPx, [surface], 'medium')
        expect(columnPx / cardWidth(surface)).toBeGreaterThanOrEqual(0.6)
        expect(columns * columnPx + (columns - 1) * gapPx).toBeCloseTo(widthPx)
      }
    },
  )

  test('smaller cards are more in a row, never fewer', () => {
    const at = (size: 'small' | 'medium' | 'large') => columnsFor(695, [wideFeed], size).columns
    expect([at('small'), at('medium'), at('large')]).toEqual([3, 2, 1])
  })

  test('a pane that is narrower than a card has one', () => {
    expect(columnsFor(300, [search], 'large').columns).toBe(1)
    expect(columnsFor(0, [search], 'small').columns).toBe(1)
  })

  test('two places beside each other share a cell', () => {
    expect(columnsFor(695, [wideFeed, surfaceOf('tab')!], 'medium').columns).toBeLessThan(
      columnsFor(695, [wideFeed], 'medium').columns,
    )
  })
})
