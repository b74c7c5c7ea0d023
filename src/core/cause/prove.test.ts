import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'
import { DAMAGES, damagedSite, LARGE_SITE } from '../testing/damaged-site'
import { expectProved, judged } from '../testing/expect-proved'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
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

  test('a part of the site with a name of its own: its titles lose that name with the tag that gives it', async () => {
    const inner = (path: string, name: string, title: string) => [
      [
        path,
        goodPage(path, name, {
          'og:site_name': '<meta property="og:site_name" content="Good Site (FR)">',
          title: `<title>${title} | Good Site (FR)</title>`,
          'og:title': `<meta property="og:title" content="${title}">`,
        }),
      ],
      [`img/${name}.png`, pngBytes(1200, 630, 82_000 + name.length)],
    ]
    // Two sections where the page's own words hold the name as well: once it is the only one it stands there twice.
    const files = Object.fromEntries([
      ...inner('fr/index.html', 'Accueil', 'Manuel de Good Site'),
      ...inner('fr/gens/index.html', 'Les gens', 'Les gens de Good Site'),
    ])
    const gathering = await gatherMemory(goodSite(files), GOOD_SITE)
    expectProved(gathering)
    const { causes, withAll } = judged(gathering)
    expect(causes.flatMap(({ rules }) => rules)).toContain('site-name-varies')
    expect(withAll(causes).findings.map(({ rule }) => rule)).not.toContain('title-pattern-varies')
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
    const edits = cause!.edits.map(({ basis: _basis, ...edit }) => edit)
    for (const [tag, rule] of Object.entries(damage.rules)) expect(edits, tag).toContainEqual({ where, tag, ...rule })
  })
})
