import fc from 'fast-check'
import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { describe, expect, test } from 'vitest'
import { cardOf } from '../surface'
import { communityChat, search, surfaces, wideFeed } from '../testing/places'
import { runs } from '../testing/property-runs'
import { context as contextOf, image, testPage } from '../testing/test-page'
import { measureText } from '../text'
import { drawCard, firstLine } from './draw-card'
import { baselineOf, type Drawing, type Step } from './drawing'
import { sheetOfCards, sheetOfPairs } from './sheet'
import { sheetAsSvg } from './sheet-svg'

const PICTURE = 'https://site.example/lamp.jpg'
const html = (title: string, more = '') =>
  `<!doctype html><title>t</title><meta property="og:title" content="${title}"><meta property="og:description" content="How to make a table lamp safe again in an evening, with a screwdriver, a new cord and a little patience.">${more}`
const withPicture = html(
  'Rewire a table lamp safely in one evening',
  `<meta property="og:image" content="${PICTURE}"><meta name="twitter:card" content="summary_large_image">`,
)
const context = contextOf([image(PICTURE)])
const card = (source: string, surface = wideFeed) => cardOf(testPage(source), surface, context)
const draw = (source: string, surface = wideFeed, marked?: Parameters<typeof drawCard>[2]['marked']) =>
  drawCard(card(source, surface), surface, {
    keyOf: (url) => `run ${url}`,
    ...(marked ? { marked } : {}),
  })
const texts = ({ steps }: Drawing) => steps.flatMap((step) => (step.kind === 'text' ? [step.text] : []))
const boxes = ({ steps }: Drawing) =>
  steps.filter((step): step is Exclude<Step, { kind: 'text' }> => step.kind !== 'text')

describe('a card as a drawing', () => {
  test('has the very lines of the place, an ellipsis where it cuts, and the picture as it crops it', () => {
    const drawn = draw(withPicture)
    const { title, description } = card(withPicture)
    expect(description.cut).toBe(true)
    expect(texts(drawn)).toEqual([
      'site.example',
      ...title.lines,
      ...description.lines.slice(0, -1),
      `${description.lines.at(-1)}…`,
    ])
    const picture = drawn.steps.find((step) => step.kind === 'picture')
    expect(picture).toMatchObject({ picture: `run ${PICTURE}`, x: 0, y: 0, width: drawn.widthPx })
    expect(drawn.widthPx / (picture as { height: number }).height).toBeCloseTo(1.91)
  })

  test.each(surfaces.map((surface) => [surface.id, surface] as const))(
    'on %s all of it stands on the card',
    (_id, surface) => {
      for (const source of [withPicture, html('Lamp'), '<meta name="robots" content="noindex">']) {
        const drawn = draw(source, surface)
        for (const step of drawn.steps) {
          const [right, bottom] =
            step.kind === 'text'
              ? [step.x + measureText(step.text, step.sizePx, step.weight), step.baseline]
              : [step.x + step.width, step.y + step.height]
          expect(right).toBeLessThanOrEqual(drawn.widthPx + 0.5)
          expect(bottom).toBeLessThanOrEqual(drawn.heightPx + 0.5)
          expect(step.x).toBeGreaterThanOrEqual(0)
        }
      }
    },
  )

  test.each([
    ['built in', communityChat],
    ['of one’s own', { ...wideFeed, id: 'hall-intranet', textFirst: true }],
  ])('a place that puts its text first has the picture below it (%s)', (_name, surface) => {
    const drawn = draw(withPicture, surface)
    const picture = boxes(drawn).find((step) => step.kind === 'picture')!
    const last = Math.max(...drawn.steps.flatMap((step) => (step.kind === 'text' ? [step.baseline] : [])))
    expect(picture.y).toBeGreaterThan(last)
    expect(drawn.heightPx).toBeGreaterThan(picture.y + picture.height)
  })

  test('a bare link and one that is not listed say why, on a dashed card', () => {
    const drawn = draw('<meta name="robots" content="noindex"><title>x</title>', search)
    expect(texts(drawn).at(-1)).toMatch(/^Not listed\. noindex/)
    expect(boxes(drawn)[0]).toMatchObject({ fill: 'card' })
    expect(boxes(drawn).at(-1)).toMatchObject({ dashed: true, line: 'line' })
  })

  test('parts that differ are outlined, others not', () => {
    const dashed = (marked: Parameters<typeof drawCard>[2]['marked']) =>
      boxes(draw(withPicture, wideFeed, marked)).filter((step) => 'dashed' in step).length
    expect(dashed(undefined)).toBe(0)
    expect(dashed(new Set(['title']))).toBe(1)
    expect(dashed(new Set(['title', 'description', 'image', 'siteLine']))).toBe(4)
  })
})

test('letters stand in the middle of their line', () => {
  expect(baselineOf(10, 20, 26)).toBeCloseTo(10 + 13 + (0.905 - 0.212) * 10)
})

test('a caption is cut to its line', () => {
  expect(firstLine('short', 13, 600, 200)).toBe('short')
  const cut = firstLine('a caption that is far too long for so little room', 13, 600, 120)
  expect(cut.endsWith('…')).toBe(true)
  expect(measureText(cut, 13, 600)).toBeLessThanOrEqual(120)
})

const small = (heightPx: number): Drawing => ({
  widthPx: 300,
  heightPx,
  steps: [{ kind: 'box', x: 0, y: 0, width: 300, height: heightPx, radius: 0, fill: 'card' }],
})
const cards = ({ steps }: Drawing) =>
  steps.flatMap((step) => (step.kind === 'box' && step.fill === 'card' ? [step] : []))

describe('a sheet', () => {
  test('puts each card where there is most room; none covers another', () => {
    const heights = [400, 100, 100, 100, 50]
    const sheet = sheetOfCards(
      '/lamp',
      'as built',
      heights.map((height, index) => ({ caption: `${index}`, card: small(height) })),
    )
    expect(cards(sheet).map(({ x }) => x)).toEqual([28, 356, 356, 356, 28])
    for (const [index, one] of cards(sheet).entries()) {
      expect(one.y + one.height).toBeLessThan(sheet.heightPx)
      for (const other of cards(sheet).slice(index + 1)) {
        const isApart = one.x !== other.x || one.y + one.height < other.y || other.y + other.height < one.y
        expect(isApart).toBe(true)
      }
    }
  })

  test('of pairs has a row each, and says where there is no card', () => {
    const sheet = sheetOfPairs('Wide feed', '2 pages', [
      { name: '/a', before: small(100), after: small(200) },
      { name: '/b', before: null, after: small(100) },
    ])
    const [before, after, second] = cards(sheet)
    expect(before!.y).toBe(after!.y)
    expect(second!.y).toBeGreaterThan(after!.y + 200)
    expect(second!.x).toBe(after!.x)
    expect(texts(sheet)).toContain('before: no such page')
  })

  test('of nothing is a sheet all the same', () => {
    expect(sheetOfCards('x', 'y', []).heightPx).toBeGreaterThan(50)
    expect(sheetOfPairs('x', 'y', []).heightPx).toBeGreaterThan(50)
  })
})

describe('a sheet as SVG', () => {
  const asSvg = (title: string) =>
    sheetAsSvg(
      sheetOfCards(title, 'as built', [{ caption: 'Wide feed', card: draw(withPicture) }]),
      new Map([[`run ${PICTURE}`, 'data:image/jpeg;base64,AA=="onload="x']]),
    )

  test('holds its pictures, and fixes how wide each text is', () => {
    const svg = asSvg('/lamp')
    const image = new XMLParser({ ignoreAttributes: false }).parse(svg).svg.image
    expect(image['@_href']).toBe('data:image/jpeg;base64,AA=="onload="x')
    expect(Object.keys(image)).not.toContain('@_onload')
    expect(svg).toMatch(/textLength="[\d.]+" lengthAdjust="spacingAndGlyphs"[^>]*>Rewire a table lamp/)
  })

  test('a picture that there is no copy of is a grey box', () => {
    expect(sheetAsSvg(draw(withPicture), new Map())).not.toContain('<image')
  })

  test('any text is only text in it', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (title) => {
        const svg = asSvg(title)
        expect(XMLValidator.validate(svg)).toBe(true)
        expect(Object.keys(new XMLParser().parse(svg).svg).sort()).toEqual(['clipPath', 'image', 'rect', 'text'])
      }),
      runs(200),
    )
    expect(asSvg('</text><script>x</script>')).not.toContain('<script')
  })
})
