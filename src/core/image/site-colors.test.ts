import { describe, expect, test } from 'vitest'
import { colorsOfPixels, colorsOfStyleSheets, cssColor } from './site-colors'

test.each([
  ['#1d3', '#11dd33'],
  ['#1D3b4F', '#1d3b4f'],
  ['rgb(29, 59, 79)', '#1d3b4f'],
  ['rgb(29 59 79 / 100%)', '#1d3b4f'],
  ['rgb(50% 0% 100%)', '#8000ff'],
  ['hsl(0, 100%, 50%)', '#ff0000'],
  ['hsl(-240deg 100% 50%)', '#00ff00'],
  ['hsl(210 20% 40%)', '#52667a'],
  ['rgb(1 2 3 / 0.5)', null],
  ['rgb(1, 2)', null],
  ['rgb(a, b, c)', null],
  ['var(--x)', null],
  ['red; }', null],
  ['', null],
])('%s is %s', (source, color) => {
  expect(cssColor(source)).toBe(color)
})

describe('colours of style sheets', () => {
  test('are custom properties, those first that stand for the site, greys last, each once', () => {
    const sheet = `
      :root { --gap: 4px; --ink: #222222; --teal: #0a7d6d; --color-accent: hsl(36 74% 56%); /* --old-brand: #ff0000; */
        --brand-primary: rgb(29 59 79); --same: #0A7D6D; --shade: rgb(0 0 0 / .2) }`
    expect(colorsOfStyleSheets([sheet])).toEqual([
      { name: '--brand-primary', color: '#1d3b4f' },
      { name: '--color-accent', color: '#e29f3c' },
      { name: '--teal', color: '#0a7d6d' },
      { name: '--ink', color: '#222222' },
    ])
  })

  test('what is no style sheet has none, and a hostile one ends', () => {
    expect(colorsOfStyleSheets(['', '{{{{', `--a:${'('.repeat(100_000)}`, `/*${'*'.repeat(100_000)}`])).toEqual([])
  })
})

test('colours of a picture are its strong ones, apart from each other', () => {
  const pixels = (...parts: [count: number, color: number[]][]) =>
    parts.flatMap(([count, color]) => Array.from({ length: count }, () => [...color, 255]).flat())
  expect(
    colorsOfPixels(pixels([900, [240, 240, 238]], [300, [200, 40, 30]], [10, [203, 42, 33]], [120, [20, 60, 120]])),
  ).toEqual(['#c8281e', '#f0f0ee', '#143c78'])
  expect(colorsOfPixels([])).toEqual([])
})
