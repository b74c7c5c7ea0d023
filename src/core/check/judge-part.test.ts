import { expect, test } from 'vitest'
import { noRequirements, type Requirements } from '../requirements'
import { gatherMemory } from '../testing/build-run'
import { DAMAGES, damagedPages, LARGE_SITE } from '../testing/damaged-site'
import { createCheckContext } from './context'
import { asSaidHere, createPartJudge, partsOf } from './judge-part'
import { judgeAlone, KeptVerdicts } from './kept-verdicts'
import { runChecks } from './run-checks'

/** Pages with a fault or two each, every one that templates make among them. */
const KINDS = Object.keys(DAMAGES)
const faultsOf = ({ number }: { number: number }) => [0, 7].map((step) => KINDS[(number + step) % KINDS.length]!)
const faulty = () => damagedPages(2 * KINDS.length, 3, faultsOf)

const REQUIREMENTS: [string, Requirements][] = [
  ['none', noRequirements],
  [
    'of sections, kinds and names',
    {
      identity: { name: 'Large Site' },
      sections: {
        '/s0/*': { kind: 'article', requires: ['own-picture', 'author'], levels: { 'title-cut': 'error' } },
      },
      kinds: { website: { limits: { titleCharacters: 20 } } },
      levels: { 'image-heavy': 'off' },
    },
  ],
]

test.each(REQUIREMENTS)(
  'pages judged apart from their run say the same, by requirements: %s',
  async (_, requirements) => {
    const gathering = await gatherMemory(faulty(), LARGE_SITE)
    const context = createCheckContext(gathering, requirements)
    const { part, toJudge } = partsOf(context)
    // As another thread gets it.
    const judge = createPartJudge(structuredClone(part))
    const kept = new KeptVerdicts()
    for (let from = 0; from < gathering.pages.length; from += 10) {
      const pages = gathering.pages.slice(from, from + 10)
      const said = structuredClone(judge(structuredClone(toJudge(pages)))).map(asSaidHere)
      expect(said).toEqual(pages.map((page) => judgeAlone(page, context)))
      for (const [index, page] of pages.entries()) kept.keep(page, context, said[index]!)
    }
    const stamps = gathering.pages.map(({ url }) => kept.stampOf(url))
    const verdict = runChecks(gathering, context, undefined, (page) => kept.check(page, context))
    expect(verdict).toEqual(runChecks(gathering, createCheckContext(gathering, requirements)))
    expect(verdict.summary.error).toBeGreaterThan(0)
    // Nothing that was judged elsewhere is judged again.
    expect(gathering.pages.map(({ url }) => kept.stampOf(url))).toEqual(stamps)
    for (const [index, { url }] of gathering.pages.entries()) expect(kept.stampOf(url)).toBe(stamps[index])
  },
)

test('words that findings have in common are kept once', () => {
  const finding = () => structuredClone({ rule: 'title-cut', level: 'note' as const, said: 'cut', line: 1, column: 1 })
  const said = () => ({
    alone: { findings: [finding()], skipped: [{ rule: 'image-shape', reason: 'image-not-fetched' }] },
    byNames: { findings: [], skipped: [] },
  })
  const [one, other] = [asSaidHere(said()), asSaidHere(said())]
  expect(one).toEqual(said())
  expect(one.alone.skipped[0]).toBe(other.alone.skipped[0])
})
