import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'
import { DAMAGES, damagedSite, LARGE_SITE } from '../testing/damaged-site'
import { expectProved, judged } from '../testing/expect-proved'
import { patience, runs } from '../testing/property-runs'

describe('causes of a damaged site', () => {
  test('an impeccable one has none', async () => {
    expect(judged(await gatherMemory(damagedSite([]), LARGE_SITE)).causes).toEqual([])
  })

  test(
    'all of them carried out clear everything but what is said to need a person, whatever is damaged',
    async () => {
      const damage = fc.record({
        kind: fc.constantFrom(...Object.keys(DAMAGES)),
        level: fc.constantFrom('site' as const, 'section' as const, 'page' as const),
      })
      await fc.assert(
        fc.asyncProperty(
          fc.uniqueArray(damage, { minLength: 1, maxLength: 6, selector: ({ kind }) => kind }),
          async (damages) => expectProved(await gatherMemory(damagedSite(damages), LARGE_SITE)),
        ),
        runs(40),
      )
    },
    patience(60_000),
  )

  test('each alone clears exactly what it says, and brings nothing', async () => {
    const damages = ['og-url-index', 'no-card', 'picture-http', 'no-lang'].map((kind, index) => ({
      kind,
      level: (['site', 'section', 'page'] as const)[index % 3]!,
    }))
    const { verdict, causes, withAll } = judged(await gatherMemory(damagedSite(damages), LARGE_SITE))
    for (const cause of causes.filter(({ proved }) => proved)) {
      const { summary } = withAll([cause])
      for (const level of ['error', 'warning', 'note'] as const)
        expect(summary[level], `${cause.change} ${level}`).toBe(verdict.summary[level] - cause.clears[level])
    }
    expect(causes.filter(({ proved }) => proved).length).toBeGreaterThan(3)
  })
})

describe('a seeded fault is one cause, where it was put, with its rule', () => {
  const levels = ['site', 'section', 'page'] as const
  const cases = Object.entries(DAMAGES).flatMap(([kind, damage]) => levels.map((level) => ({ kind, level, damage })))
  test.each(cases)('$kind of the $level', async ({ kind, level, damage }) => {
    const { causes } = judged(await gatherMemory(damagedSite([{ kind, level }]), LARGE_SITE))
    expect(causes.map(({ change }) => change)).toHaveLength(1)
    const [cause] = causes
    const where = { site: damage.isSetting ? 'site' : 'layout', section: 'section', page: 'page' }[level]
    expect(cause).toMatchObject({ where, proved: true })
    for (const [tag, rule] of Object.entries(damage.rules))
      expect(cause!.edits, tag).toContainEqual({ where, tag, ...rule })
  })
})
