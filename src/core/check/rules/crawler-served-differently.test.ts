import { describe, expect, test } from 'vitest'
import { crawlMemory, findingsOfCheck, type TestAnswer } from '../../testing/crawl-run'
import { GOOD_SITE, goodPage } from '../../testing/good-site'

/** Findings where a server tells a crawler from us. */
async function findingsOf(toCrawler: TestAnswer, toUs: TestAnswer, askAs: string | null = 'Slackbot-LinkExpanding') {
  let asked = 0
  const gathering = await crawlMemory(
    GOOD_SITE,
    ({ url, asOurselves }) => {
      if (new URL(url).pathname !== '/') return { status: 404 }
      asked++
      return asOurselves ? toUs : toCrawler
    },
    { askAs },
  )
  return { findings: findingsOfCheck(gathering, 'crawler-served-differently'), asked }
}

const roses = { body: goodPage('', 'Roses') }
const bare = { body: '<!doctype html><title>Please enable scripts</title>' }

describe('crawler-served-differently', () => {
  test('raised: other tags for the crawler', async () => {
    const { findings } = await findingsOf(bare, roses)
    expect(findings).toMatchObject([
      {
        level: 'warning',
        message: expect.stringMatching(
          /^Asked as Slackbot-LinkExpanding, title says “Please enable scripts”; asked as NimbleParrot, “Roses of the garden \| Good Site”\. \d+ more tags differ\.$/,
        ),
      },
    ])
  })

  test('raised: a refusal', async () => {
    const { findings } = await findingsOf({ status: 403, body: 'no robots' }, roses)
    expect(findings).toMatchObject([
      {
        message: 'Asked as Slackbot-LinkExpanding, the page answers 403; asked as NimbleParrot, 200.',
        fix: expect.stringContaining('Let Slackbot-LinkExpanding in'),
      },
    ])
  })

  test.each([
    ['both are given the same', roses, roses],
    ['both are refused', { status: 403 }, { status: 401 }],
    ['what differs feeds no card', roses, { body: `${goodPage('', 'Roses')}<!-- ${'x'.repeat(40)} -->` }],
  ])('not raised: %s', async (_name, toCrawler, toUs) => {
    expect((await findingsOf(toCrawler, toUs)).findings).toEqual([])
  })

  test('a run under our own name asks once', async () => {
    const { findings, asked } = await findingsOf(roses, bare, null)
    expect([findings, asked]).toEqual([[], 1])
  })
})
