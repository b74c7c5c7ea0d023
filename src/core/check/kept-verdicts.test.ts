import { describe, expect, test } from 'vitest'
import type { GatheredPage, Gathering } from '../model'
import { noRequirements, type Requirements } from '../requirements'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { type CheckContext, createCheckContext, createGrowingContext } from './context'
import { judgeAlone, KeptVerdicts } from './kept-verdicts'
import { checkPage, runChecks } from './run-checks'

const ABOUT = `${GOOD_SITE}about.html`
const LONG_NAME = 'Lampworks of the long valley behind the seven hills, the river and both of the old mills'
const files = goodSite({
  'about.html': goodPage('about.html', 'Ferns', { 'twitter:card': null }),
  'img/Ferns.png': pngBytes(120, 80),
  'lost.html': goodPage('lost.html', 'Moss', { canonical: `<link rel="canonical" href="${GOOD_SITE}gone.html">` }),
})
const gathered = () => gatherMemory(files, GOOD_SITE)
const pageAt = ({ pages }: Gathering, url: string) => pages.find((page) => page.url === url)!

describe('verdicts that are kept', () => {
  test('say what all checks say, first and again', async () => {
    const gathering = await gathered()
    const context = createCheckContext(gathering)
    const kept = new KeptVerdicts()
    for (const page of gathering.pages) {
      expect(kept.check(page, context)).toEqual(checkPage(page, context))
      const stamp = kept.stampOf(page.url)
      expect(kept.check(page, context)).toEqual(checkPage(page, context))
      expect(kept.stampOf(page.url)).toBe(stamp)
    }
    const { summary, pages } = runChecks(gathering, context, undefined, (page) => kept.check(page, context))
    expect({ summary, pages }).toEqual(
      (({ summary, pages }) => ({ summary, pages }))(runChecks(gathering, createCheckContext(gathering))),
    )
    expect(summary.error).toBeGreaterThan(0)
  })

  test('a check that hangs on the run is asked again: what may still come is not called dead, what did not come is', async () => {
    const gathering = await gathered()
    const page = pageAt(gathering, `${GOOD_SITE}lost.html`)
    const kept = new KeptVerdicts()
    const rulesIn = (context: CheckContext) => kept.check(page, context).findings.map(({ rule }) => rule)
    const come = { ...gathering, survey: undefined }
    expect(rulesIn(createGrowingContext(come, noRequirements).context)).not.toContain('address-dead')
    const stamp = kept.stampOf(page.url)
    expect(rulesIn(createCheckContext(gathering))).toContain('address-dead')
    expect(kept.stampOf(page.url)).toBe(stamp)
  })

  test('what hangs on the names of the site is asked again where they are others', async () => {
    const named = goodSite({
      'about.html': goodPage('about.html', 'Ferns', {
        title: `<title>Lamps - ${LONG_NAME}</title>`,
        'og:site_name': null,
      }),
    })
    const gathering = await gatherMemory(named, GOOD_SITE)
    const page = pageAt(gathering, ABOUT)
    const kept = new KeptVerdicts()
    const nameless = createCheckContext(gathering)
    const without = kept.check(page, nameless)
    const stamp = kept.stampOf(ABOUT)
    // The same page beside others that end with the site's name.
    const beside: GatheredPage[] = Array.from({ length: 20 }, (_, index) => ({
      ...page,
      url: `${GOOD_SITE}n${index}.html`,
      facts: { ...page.facts!, title: `Number ${index} of the lamps - ${LONG_NAME}` },
    }))
    const context = createCheckContext({ ...gathering, pages: [...gathering.pages, ...beside] })
    const now = kept.check(page, context)
    expect(now).toEqual(checkPage(page, context))
    const rules = ({ findings }: typeof now) => findings.map(({ rule }) => rule)
    expect(rules(without)).toContain('title-cut')
    expect(rules(now)).not.toContain('title-cut')
    expect(kept.stampOf(ABOUT)).toBe(stamp)
  })

  test.each<[string, (gathering: Gathering) => [Gathering, Requirements]]>([
    ['the requirements are others', (gathering) => [gathering, { levels: { 'card-missing': 'off' } }]],
    ['the run takes no notice of robots.txt', (gathering) => [{ ...gathering, view: 'launched' }, noRequirements]],
    [
      'robots.txt is another',
      (gathering) => [{ ...gathering, robotsTxt: 'User-agent: *\nDisallow: /' }, noRequirements],
    ],
    [
      'a login was passed',
      (gathering) => [
        { ...gathering, notes: [...gathering.notes, { kind: 'login-passed', message: 'A login was passed.' }] },
        noRequirements,
      ],
    ],
    [
      'the page is known otherwise',
      (gathering) => [
        {
          ...gathering,
          pages: gathering.pages.map((page) => ({ ...page, fetch: { ...page.fetch, robotsHeader: 'noindex' } })),
        },
        noRequirements,
      ],
    ],
    [
      'its section has rules of its own',
      (gathering) => [gathering, { sections: { '/about.html': { kind: 'not-shared' } } }],
    ],
  ])('are judged again where %s', async (_, change) => {
    const gathering = await gathered()
    const kept = new KeptVerdicts()
    kept.check(pageAt(gathering, ABOUT), createCheckContext(gathering))
    const stamp = kept.stampOf(ABOUT)
    const [other, requirements] = change(gathering)
    const context = createCheckContext(other, requirements)
    const page = pageAt(other, ABOUT)
    expect(kept.check(page, context)).toEqual(checkPage(page, context))
    expect(kept.stampOf(ABOUT)).not.toBe(stamp)
  })

  test('a picture that comes later undoes what was said without it, once', async () => {
    const gathering = await gathered()
    const page = pageAt(gathering, ABOUT)
    const growing = createGrowingContext({ ...gathering, images: [] }, noRequirements)
    const kept = new KeptVerdicts()
    kept.check({ ...page }, growing.context, page)
    const asked = growing.takeAsked()
    kept.asked(ABOUT, asked)
    expect(growing.takeAsked()).toEqual([])
    const picture = gathering.images.find(({ url }) => url.endsWith('/img/Ferns.png'))!
    expect(asked).toContain(picture.url)
    const stranger = { ...picture, url: `${GOOD_SITE}img/other.png` }
    expect(kept.pictureCame(stranger)).toEqual([])
    expect(kept.pictureCame(picture)).toEqual([ABOUT])
    expect(kept.stampOf(ABOUT)).toBeUndefined()
    expect(kept.pictureCame(picture)).toEqual([])
    growing.addImage(picture)
    const again = { ...page }
    const rules = kept.check(again, growing.context, page).findings.map(({ rule }) => rule)
    expect(rules).toContain('image-below-minimum')
  })

  test('for the last time the same is said, and nothing of the page is kept', async () => {
    const gathering = await gathered()
    const page = pageAt(gathering, ABOUT)
    const context = createCheckContext(gathering)
    const kept = new KeptVerdicts()
    kept.keep(page, context, judgeAlone(page, context))
    expect(kept.checkLast(page, context)).toEqual(checkPage(page, context))
    expect(kept.stampOf(ABOUT)).toBeUndefined()
  })
})
