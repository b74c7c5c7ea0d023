import type { Weight } from './measure'
import arabic400 from './widths/arabic-400.json' with { type: 'json' }
import arabic600 from './widths/arabic-600.json' with { type: 'json' }
import arabic700 from './widths/arabic-700.json' with { type: 'json' }

/** `forms`: a letter's widths alone, first, in the middle, last; one width where all are the same. */
type ArabicFile = { unitsPerEm: number; forms: number[][]; lamAlef: number[][] }
type Forms = { alone: number; first: number; middle: number; last: number }
type Table = { forms: Map<number, Forms>; lamAlef: Map<number, { alone: number; last: number }> }

function tableOf({ unitsPerEm, forms, lamAlef }: ArabicFile): Table {
  return {
    forms: new Map(
      forms.map(([point, ...widths]) => {
        const [alone = 0, first = alone, middle = alone, last = alone] = widths.map((width) => width / unitsPerEm)
        return [point!, { alone, first, middle, last }]
      }),
    ),
    lamAlef: new Map(
      lamAlef.map(([point, alone, last]) => [point!, { alone: alone! / unitsPerEm, last: last! / unitsPerEm }]),
    ),
  }
}

const TABLES: Record<Weight, Table> = {
  400: tableOf(arabic400),
  600: tableOf(arabic600),
  700: tableOf(arabic700),
}

/** Letters that join the one before them, and none after (Unicode's ArabicShaping.txt: joining type R). */
const RIGHT_JOINING =
  /^[\u0622-\u0625\u0627\u0629\u062F-\u0632\u0648\u0671-\u0673\u0675-\u0677\u0688-\u0699\u06C0\u06C3-\u06CB\u06CD\u06CF\u06D2\u06D3\u06D5\u06EE\u06EF]/
/** Letters that join on both sides (types D and C). */
const DUAL_JOINING =
  /^[\u0620\u0626\u0628\u062A-\u062E\u0633-\u063F\u0640-\u0647\u0649\u064A\u066E\u066F\u0678-\u0687\u069A-\u06BF\u06C1\u06C2\u06CC\u06CE\u06D0\u06D1\u06FA-\u06FC\u06FF]/
const ARABIC = /^[\u0600-\u06FF]/
const NON_JOINER = '\u200C'
const LAM = /^\u0644/

const joinsNext = (grapheme: string) => DUAL_JOINING.test(grapheme) && !grapheme.includes(NON_JOINER)
const joinsPrevious = (grapheme: string) => DUAL_JOINING.test(grapheme) || RIGHT_JOINING.test(grapheme)

/**
 * Width of an Arabic letter between its neighbours, in em: each has up to four forms, and lam with alef one of its own.
 * null for everything that is not in the Arabic block.
 */
export function joinedWidthEm(before: string, grapheme: string, after: string, weight: Weight): number | null {
  if (!ARABIC.test(grapheme)) return null
  const { forms, lamAlef } = TABLES[weight]
  const own = forms.get(grapheme.codePointAt(0)!)
  if (!own) return null
  const isJoinedBefore = joinsNext(before) && joinsPrevious(grapheme)
  const isJoinedAfter = joinsNext(grapheme) && joinsPrevious(after)
  if (isJoinedAfter && LAM.test(grapheme)) {
    const together = lamAlef.get(after.codePointAt(0)!)
    // The two are one sign: half of it is the alef's, whatever stands before them.
    if (together) return (isJoinedBefore ? together.last : together.alone) - together.alone / 2
  }
  if (isJoinedBefore && LAM.test(before)) {
    const together = lamAlef.get(grapheme.codePointAt(0)!)
    if (together) return together.alone / 2
  }
  if (isJoinedBefore) return isJoinedAfter ? own.middle : own.last
  return isJoinedAfter ? own.first : own.alone
}
