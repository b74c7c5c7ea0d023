import { describe, expect, test } from 'vitest'
import { isKnownKey, isSingleValued } from '../tag'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { createCheckContext } from './context'
import { fillWords, UNFILLED } from './define-check'
import { ownPart } from './own-part'
import { placeholderIn, titleParts } from './placeholder'
import { checkPage, summarize } from './run-checks'
import { isAtLeast, weightInWords } from './sizes'

describe('a title’s own part', () => {
  test.each([
    ['Lamp | Good Site', 'Good Site', 'Lamp'],
    ['Good Site – Lamp', 'Good Site', 'Lamp'],
    ['Good Site', 'Good Site', 'Good Site'],
    ['Lamp', null, 'Lamp'],
    ['Lamp · Guides · Good Site', 'good site', 'Lamp · Guides'],
    ['Well-made lamps', 'Good Site', 'Well-made lamps'],
    ['Lamp: a guide', null, 'Lamp: a guide'],
    ['First | Second', null, 'First | Second'],
  ])('of %j on %j is %j', (title, site, expected) => {
    expect(ownPart(title, site)).toBe(expected)
  })

  test('parts stand between separators', () => {
    expect(titleParts('A | B – C — D')).toEqual(['A', 'B', 'C', 'D'])
  })
})

describe('placeholders', () => {
  test.each([
    ['Untitled', 'Untitled'],
    ['untitled 2', 'untitled 2'],
    ['Copy of Lamp', 'Copy of Lamp'],
    ['Page 12', 'Page 12'],
    ['Lorem ipsum dolor', 'Lorem ipsum dolor'],
    ['NaN', 'NaN'],
    ['Hello {{ name }}', '{{ name }}'],
    // biome-ignore lint/suspicious/noTemplateCurlyInString: a template's leftover is what is looked for
    ['Hello ${name}', '${name}'],
    ['%title%', '%title%'],
    ['Pages of history', null],
    ['Nullarbor', null],
    ['100% wool', null],
  ])('%j: %j', (text, expected) => {
    expect(placeholderIn(text, text)).toBe(expected)
  })
})

test.each([
  ['og:title', true, true],
  ['og:image', true, false],
  ['article:author', true, false],
  ['article:anything', true, false],
  ['twitter:app:id:iphone', true, false],
  ['generator', false, false],
  ['og:desciption', false, false],
])('%s: known %s, single %s', (key, known, single) => {
  expect([isKnownKey(key), isSingleValued(key)]).toEqual([known, single])
})

test('words are filled from data; a name without a value is nothing that people read raw', () => {
  expect(fillWords('{a} and {b}', { a: 'x', b: 2 })).toBe('x and 2')
  expect(fillWords('{a} and {b}', { a: 'x' })).toBe(`x and ${UNFILLED}`)
})

test.each([
  [{ width: 200, height: 200 }, true],
  [{ width: 199, height: 500 }, false],
  [{ width: 500, height: 199 }, false],
])('%j is at least 200 × 200: %s', (size, expected) => {
  expect(isAtLeast(size, { width: 200, height: 200 })).toBe(expected)
})

test.each([
  [300_001, '300 KB'],
  [999_499, '999 KB'],
  [5_800_000, '5.8 MB'],
])('%i bytes are %s', (bytes, expected) => {
  expect(weightInWords(bytes)).toBe(expected)
})

describe('the runner', () => {
  test('a check whose message is not in its table is a fault of ours, and says which', async () => {
    const context = createCheckContext(await gatherMemory(goodSite(), GOOD_SITE))
    const broken = {
      ...context.surfaces,
      id: 'broken',
      family: 'text',
      level: 'note',
      looksAt: '',
      why: '',
      messages: {},
      scope: 'page',
      check: () => [{ message: 'none' }],
    }
    expect(() => checkPage(context.pages[0]!, context, [broken as never])).toThrow(
      'Check broken has no message “none”.',
    )
  })

  test('a check that could not be made is told, with its reason', async () => {
    const page = goodPage('about.html', 'Ferns', {
      'og:image': '<meta property="og:image" content="https://cdn.example/a.png">',
    })
    const offline = async () => ({ kind: 'failed', code: 'host-not-found', message: '', ms: 0 }) as const
    const context = createCheckContext(await gatherMemory(goodSite({ 'about.html': page }), GOOD_SITE, offline))
    const about = context.pages.find(({ file }) => file === 'about.html')!
    const { findings, skipped } = checkPage(about, context)
    expect(skipped).toContainEqual({ rule: 'image-below-large', reason: 'image-not-fetched' })
    expect(findings.filter(({ rule }) => rule.startsWith('image-') && rule !== 'image-elsewhere')).toEqual([])
  })

  test('clear means that no error is left', () => {
    const finding = { rule: 'x', level: 'warning' as const, said: 'x', line: null, column: null }
    expect(summarize([{ findings: [finding] }], [])).toMatchObject({ warning: 1, clear: true })
    expect(summarize([{ findings: [] }], [{ ...finding, level: 'error' }])).toMatchObject({ error: 1, clear: false })
  })
})
