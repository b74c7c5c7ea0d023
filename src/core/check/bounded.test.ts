import { describe, expect, test } from 'vitest'
import { isAllowed, limits, parseRobots, rulesLeftOut } from '../address'
import { findCauses } from '../cause'
import type { Requirements } from '../requirements'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { createCheckContext } from './context'
import { runChecks } from './run-checks'

const named = (count: number, tag: (index: number) => string) =>
  goodPage('about.html', 'Ferns', {}).replace(
    '</head>',
    `${Array.from({ length: count }, (_, at) => tag(at)).join('')}</head>`,
  )

async function judge(files: MemoryBuild, requirements: Requirements = {}) {
  const gathering = await gatherMemory(goodSite(files), GOOD_SITE)
  const context = createCheckContext(gathering, requirements)
  const verdict = runChecks(gathering, context)
  const about = verdict.pages.find(({ url }) => url.endsWith('/about.html'))!
  const notes = verdict.notes.map(({ message }) => message)
  return { context, verdict, about, notes }
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyz'
const slip = (at: number) => `<meta property="og:image${LETTERS[at % 26]}${LETTERS[Math.floor(at / 26)]}" content="x">`

describe('lists have a bound that is said', () => {
  test('findings of one check on one page', async () => {
    const few = await judge({ 'about.html': named(limits.findingsOfCheck, slip) })
    expect(few.about.findings.filter(({ rule }) => rule === 'tag-misspelled')).toHaveLength(limits.findingsOfCheck)
    expect(few.notes.join()).not.toContain('are listed')
    const many = await judge({ 'about.html': named(limits.findingsOfCheck + 1, slip) })
    expect(many.about.findings.filter(({ rule }) => rule === 'tag-misspelled')).toHaveLength(limits.findingsOfCheck)
    expect(many.about.skipped).toContainEqual({ rule: 'tag-misspelled', reason: 'more-than-100-findings' })
    expect(many.notes).toContain(
      'tag-misspelled: more than 100 findings of one kind on 1 page (first /about.html); the first 100 are listed.',
    )
  })

  test('changes that are tried on one page: the rest is a cause that says so, and no finding is lost', async () => {
    const { context, verdict } = await judge({ 'about.html': named(limits.changesTriedOfPage + 20, slip) })
    const causes = findCauses(context, verdict.pages, verdict.findings, verdict.waived)
    const untried = causes.filter(({ needs }) => needs?.includes('not tried'))
    expect(untried.map(({ rule, proved, edits }) => [rule, proved, edits])).toEqual([['tag-misspelled', false, []]])
    const cleared = causes.reduce((sum, { clears }) => sum + clears.error + clears.warning + clears.note, 0)
    expect(cleared).toBe(verdict.pages.flatMap(({ findings }) => findings).length + verdict.findings.length)
  })

  test('rungs of a ladder, which keep the one that is taken', async () => {
    const empty = (at: number) => `<meta property="og:image" content="${at < 60 ? '' : '/img/x.png'}">`
    const page = named(90, empty).replace(/<meta property="og:image" content="https[^>]*>/, '')
    const { context } = await judge({ 'about.html': page })
    const [surface] = context.allSurfaces
    const about = context.readable.find(({ url }) => url.endsWith('/about.html'))!
    const { ladder } = context.cardOf(about, surface!).image
    expect(ladder.length).toBe(limits.rungsOfLadder)
    expect(ladder.at(-1)!.why).toMatch(/\d+ more are not listed$/)
  })

  test('rules of robots.txt with a star', async () => {
    const rules = (count: number) =>
      `User-agent: *\n${Array.from({ length: count }, (_, at) => `Disallow: /*x${at}`).join('\n')}\nDisallow: /plain`
    const all = parseRobots(rules(limits.wildRobotsRules))
    expect(rulesLeftOut(all, 'AnyBot')).toBe(0)
    const more = parseRobots(rules(limits.wildRobotsRules + 5))
    expect(rulesLeftOut(more, 'AnyBot')).toBe(5)
    expect(isAllowed(more, 'AnyBot', `/ax${limits.wildRobotsRules - 1}`)).toBe(false)
    expect(isAllowed(more, 'AnyBot', '/plain')).toBe(false)
    expect(isAllowed(more, 'AnyBot', '/ay')).toBe(true)
    const { notes } = await judge({ 'robots.txt': rules(limits.wildRobotsRules + 5) })
    expect(notes.join()).toContain('robots.txt: 5 wildcard rules beyond the first 2000 for one crawler are ignored.')
  })
})

describe('what the requirements take away is said', () => {
  const bare = { 'about.html': goodPage('about.html', 'Ferns', { 'og:title': null, 'og:image': null }) }

  test('sections that are never shared, and what was not counted there', async () => {
    const { about, notes } = await judge(bare, { sections: { '/about.html': { kind: 'not-shared' } } })
    expect(about.findings.map(({ rule }) => rule)).not.toContain('og-image-missing')
    expect(notes.find((one) => one.startsWith('Exempt'))).toMatch(
      /^Exempt, never shared: \/about\.html\. [2-9] findings on 1 page not counted\.$/,
    )
  })

  test('checks that are off, and nothing where they would find nothing', async () => {
    const levels = { 'og-image-missing': 'off', 'title-placeholder': 'off', 'title-duplicate': 'off' } as const
    const { notes } = await judge(bare, { levels })
    expect(notes.filter((one) => one.startsWith('Check off'))).toEqual([
      'Check off: og-image-missing. 1 finding on 1 page not counted.',
    ])
  })

  test('answers of people', async () => {
    const answer = { question: 'title', page: '/about.html', by: 'Ada', at: '2026-11-20T10:00:00Z' } as const
    const { notes } = await judge(
      {},
      {
        answers: [
          { ...answer, answer: 'yes' },
          { ...answer, question: 'tone', answer: 'no' },
        ],
      },
    )
    expect(notes).toContain('People’s answers that count: Ada 1 yes, 1 no.')
  })

  test('a page does not exempt itself', async () => {
    const { about } = await judge({
      'about.html': goodPage('about.html', 'Ferns', {
        'og:type': '<meta property="og:type" content="not-shared">',
        'og:image': null,
      }),
    })
    expect(about.findings.map(({ rule }) => rule)).toContain('og-image-missing')
  })
})
