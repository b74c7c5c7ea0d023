import { readFileSync } from 'node:fs'
import { expect, type Page, test } from '@playwright/test'
import type { TextBox } from '../src/core/text'
import { loadCoreText } from './core-text'

// What Node measures from a table, held against what Chromium lays out with the face itself.

const { fitText, measureText, splitGraphemes } = await loadCoreText()

const SUBSETS: [string, string][] = [
  [
    'latin',
    'U+0000-00FF, U+0131, U+0152-0153, U+02BB-02BC, U+02C6, U+02DA, U+02DC, U+2000-206F, U+20AC, U+2122, U+2212',
  ],
  ['latin-ext', 'U+0100-02BA, U+02BD-02C5, U+1E00-1E9F, U+1EF2-1EFF, U+20A0-20AB, U+20AD-20C0'],
  ['vietnamese', 'U+0102-0103, U+0110-0111, U+01A0-01A1, U+01AF-01B0, U+1EA0-1EF9, U+20AB'],
  ['greek', 'U+0370-03FF'],
  ['cyrillic', 'U+0301, U+0400-045F, U+0490-0491, U+04B0-04B1, U+2116'],
  ['hebrew', 'U+0307-0308, U+0590-05FF, U+200C-2010, U+20AA, U+25CC, U+FB1D-FB4F'],
]
const WEIGHTS = [400, 600, 700] as const

/** Faces that stand in where Arimo has no letters, each with its own style sheets. One weight does for those with one. */
const OTHERS: [string, readonly number[]][] = [
  ['noto-sans-arabic', WEIGHTS],
  ['noto-sans-thai', WEIGHTS],
  ['dotgothic16', [400]],
  ['noto-emoji', [400]],
]
const FAMILY = "Arimo, 'Noto Sans Arabic', 'Noto Sans Thai', DotGothic16, 'Noto Emoji'"

/** A package's style sheet with its fonts inside, for all weights where it has only one. */
function inlineFaces(face: string, weight: number, isOnly: boolean): string {
  const home = new URL(`../node_modules/@fontsource/${face}/`, import.meta.url)
  const css = readFileSync(new URL(`${weight}.css`, home), 'utf8')
  return css
    .replace(/url\(\.\/(files\/[^)]+\.woff2)\) format\('woff2'\)[^;]*/g, (_all, file: string) => {
      const data = readFileSync(new URL(file, home)).toString('base64')
      return `url(data:font/woff2;base64,${data}) format('woff2')`
    })
    .replace(/font-weight: 400/g, isOnly ? 'font-weight: 400 700' : 'font-weight: 400')
}

async function loadFace(page: Page): Promise<void> {
  const own = WEIGHTS.flatMap((weight) =>
    SUBSETS.map(([subset, range]) => {
      const file = new URL(
        `../node_modules/@fontsource/arimo/files/arimo-${subset}-${weight}-normal.woff2`,
        import.meta.url,
      )
      const data = readFileSync(file).toString('base64')
      return `@font-face{font-family:Arimo;font-weight:${weight};unicode-range:${range};src:url(data:font/woff2;base64,${data}) format('woff2')}`
    }),
  )
  const others = OTHERS.flatMap(([face, weights]) =>
    weights.map((weight) => inlineFaces(face, weight, weights.length === 1)),
  )
  await page.setContent(
    `<style>${[...own, ...others].join('')}</style><div id="box" style="font-family:${FAMILY.replaceAll('"', '')}"></div>`,
  )
}

/** Written without spaces between words. */
const UNSPACED = new Set(['thai', 'japanese', 'chinese'])

const WORDS: Record<string, string[]> = {
  english:
    'Rewire a table lamp safely in one evening, and keep the shade you like: no “expert” needed – just patience (and a 5-amp fuse) or well-known/tested tools. AVATAR To Type Wave Yield'.split(
      ' ',
    ),
  german:
    'Straßenlaternen reparieren für Anfänger: Übergröße, Kabelführung und Schutzleiteranschluß im Handumdrehen verstehen'.split(
      ' ',
    ),
  polish: 'Naprawa żarówki krok po kroku – źródło światła, łączenie przewodów i ćwiczenia dla każdego'.split(' '),
  vietnamese: 'Sửa chữa đèn bàn một cách an toàn trong một buổi tối với những dụng cụ đơn giản'.split(' '),
  greek: 'Επισκευάστε ένα επιτραπέζιο φωτιστικό με ασφάλεια σε ένα βράδυ, χωρίς ειδικές γνώσεις'.split(' '),
  russian: 'Почините настольную лампу безопасно за один вечер: провод, выключатель и вилка – всё своими руками'.split(
    ' ',
  ),
  hebrew: 'תיקון מנורת שולחן בבטחה בערב אחד עם כלים פשוטים וסבלנות רבה לכל אחד'.split(' '),
  arabic: 'إصلاح مصباح الطاولة بأمان في أمسية واحدة، مع الحفاظ على الظل الذي تحبه؛ لا حاجة إلى خبير، فقط الصبر'.split(
    ' ',
  ),
  persian: 'تعمیر چراغ رومیزی با ایمنی در یک شب؛ پیچ‌گوشتی، کابل نو و کمی حوصله می‌خواهد و گچ‌کاری نه'.split(' '),
  thai: 'ซ่อม|โคม|ไฟ|ตั้ง|โต๊ะ|อย่าง|ปลอดภัย|ใน|หนึ่ง|เย็น|ด้วย|เครื่อง|มือ|ง่าย|ๆ|และ|ความ|อดทน'.split('|'),
  japanese:
    '卓上ランプを|一晩で安全に|修理する方法。|お気に入りの|シェードは|そのまま、|専門家は|不要です！|「ねじ回し」と|コードだけ'.split(
      '|',
    ),
  // Characters that the Japanese face has too.
  chinese: '安全修理電灯，|一夜完成；|愛用灯罩|保留不変。|専門家不要|（忍耐必要）|和工具|三種：|刀、線、布'.split('|'),
  emoji: 'Lamp 💡 fixed 🎉 by 👩‍🔧 and 👨‍👩‍👧 in 2 🕒 hours 👍🏽 🇫🇷 tools 🛠️ ready'.split(' '),
  mixed: 'Lamp مصباح 修理 โคมไฟ 💡 guide إصلاح 電灯 for 2026 ซ่อม ok'.split(' '),
  numbers: '1,234.56 € 20/25 3-4 100% 2026-11-23 A4 7×9 +44'.split(' '),
}

/** The same numbers on every run: a failure can be looked at again. */
function random(seed: number): () => number {
  let state = seed
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}

function strings(count: number): string[] {
  const next = random(7)
  const languages = Object.keys(WORDS)
  return Array.from({ length: count }, (_, index) => {
    const language = languages[index % languages.length]!
    const words = WORDS[language]!
    return Array.from({ length: 3 + Math.floor(next() * 40) }, () => words[Math.floor(next() * words.length)]!).join(
      UNSPACED.has(language) ? '' : ' ',
    )
  })
}

const BOXES: TextBox[] = [
  { sizePx: 16, weight: 600, widthPx: 476, lines: 2 },
  { sizePx: 14, weight: 400, widthPx: 476, lines: 1 },
  { sizePx: 15, weight: 700, widthPx: 500, lines: 2 },
  { sizePx: 15, weight: 400, widthPx: 500, lines: 5 },
  { sizePx: 13, weight: 400, widthPx: 250, lines: 2 },
  { sizePx: 20, weight: 400, widthPx: 600, lines: 1 },
  { sizePx: 14, weight: 400, widthPx: 340, lines: 3 },
  { sizePx: 12, weight: 400, widthPx: 180, lines: 1 },
]

/**
 * How many UTF-16 units Chromium shows. It clamps where its own layout breaks the last line; what the ellipsis pushes
 * out is read from the places of the letters, which it gives no other account of.
 */
async function shownByChromium(
  page: Page,
  texts: string[],
  boxes: TextBox[],
  graphemes: string[][],
): Promise<number[]> {
  return page.evaluate(
    async ([allTexts, allBoxes, allGraphemes, family]) => {
      await document.fonts.ready
      const box = document.getElementById('box')!
      const result: number[] = []
      for (const [index, text] of allTexts.entries()) {
        const { sizePx, weight, widthPx, lines } = allBoxes[index]!
        const isSingle = lines === 1
        Object.assign(box.style, {
          font: `${weight} ${sizePx}px/1.3 ${family}`,
          width: `${widthPx}px`,
          whiteSpace: isSingle ? 'nowrap' : 'normal',
          overflowWrap: 'anywhere',
        })
        box.dir = 'auto'
        box.textContent = '…'
        await document.fonts.load(`${weight} ${sizePx}px ${family}`, `${text}…`)
        const range = document.createRange()
        range.selectNodeContents(box)
        const ellipsis = range.getBoundingClientRect().width
        box.textContent = text
        const node = box.firstChild!
        const edge = box.getBoundingClientRect()
        const isRtl = getComputedStyle(box).direction === 'rtl'
        const places: { end: number; line: number; reach: number }[] = []
        let start = 0
        for (const grapheme of allGraphemes[index]!) {
          range.setStart(node, start)
          range.setEnd(node, start + grapheme.length)
          const rect = range.getClientRects()[0] ?? range.getBoundingClientRect()
          start += grapheme.length
          const line = Math.round((rect.top - edge.top) / (sizePx * 1.3))
          places.push({ end: start, line, reach: isRtl ? edge.right - rect.left : rect.right - edge.left })
        }
        const isCut = isSingle
          ? places.some(({ reach }) => reach > widthPx + 0.5)
          : places.some(({ line }) => line >= lines)
        if (!isCut) {
          result.push(text.length)
          continue
        }
        const fitting = places.filter(
          ({ line, reach }) => line < lines - 1 || (line === lines - 1 && reach + ellipsis <= widthPx),
        )
        result.push(text.slice(0, fitting.at(-1)?.end ?? 0).trimEnd().length)
      }
      return result
    },
    [texts, boxes, graphemes, FAMILY] as const,
  )
}

test('widths from the table are within 1 % of what the canvas measures', async ({ page }) => {
  await loadFace(page)
  const texts = strings(200)
  const measured = await page.evaluate(
    async ([all, weights, family]) => {
      const context = document.createElement('canvas').getContext('2d')!
      // As a page's own layout has it: else a canvas sets word by word, without the kerning of spaces.
      context.textRendering = 'geometricPrecision'
      const widths: number[][] = []
      for (const text of all) {
        const row: number[] = []
        for (const weight of weights) {
          await document.fonts.load(`${weight} 100px ${family}`, text)
          context.font = `${weight} 100px ${family}`
          row.push(context.measureText(text).width / 100)
        }
        widths.push(row)
      }
      return widths
    },
    [texts, WEIGHTS, FAMILY] as const,
  )
  const worst = texts.flatMap((text, at) =>
    WEIGHTS.map((weight, which) => ({ text, off: Math.abs(measureText(text, 1, weight) / measured[at]![which]! - 1) })),
  )
  worst.sort((a, b) => b.off - a.off)
  expect(worst.slice(0, 3).map(({ text, off }) => `${(off * 100).toFixed(2)} % ${text.slice(0, 40)}`)).toEqual(
    worst
      .slice(0, 3)
      .filter(({ off }) => off < 0.01)
      .map(({ text, off }) => `${(off * 100).toFixed(2)} % ${text.slice(0, 40)}`),
  )
})

test('cuts are within one grapheme of Chromium’s own, on 200 texts and the boxes of the surfaces', async ({ page }) => {
  await loadFace(page)
  const texts = strings(200)
  const boxes = texts.map((_, index) => BOXES[Math.floor(index / 8) % BOXES.length]!)
  const graphemes = texts.map((text) => splitGraphemes(text))
  const theirs = await shownByChromium(page, texts, boxes, graphemes)
  const far = texts.flatMap((text, index) => {
    const ours = fitText(text, boxes[index]!).shown.length
    const [less, more] = [Math.min(ours, theirs[index]!), Math.max(ours, theirs[index]!)]
    const between = splitGraphemes(text.slice(less, more)).length
    return between > 1
      ? [
          `${between} apart, ours ${ours > theirs[index]! ? 'longer' : 'shorter'}, ${boxes[index]!.lines} lines of ${boxes[index]!.widthPx}: …${text.slice(Math.max(0, less - 25), less)}|${text.slice(less, more)}`,
        ]
      : []
  })
  expect(far).toEqual([])
})
