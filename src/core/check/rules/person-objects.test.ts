import { expect, test } from 'vitest'
import type { Answer } from '../../requirements'
import { gatherMemory } from '../../testing/build-run'
import { describeCheck } from '../../testing/describe-check'
import { GOOD_SITE, goodPage, goodSite } from '../../testing/good-site'
import { createCheckContext } from '../context'
import { runChecks } from '../run-checks'

const no = (over: Partial<Answer> = {}): Answer => ({
  question: 'title',
  page: '/about.html',
  answer: 'no',
  by: 'Ada',
  at: '2026-11-27T10:00:00Z',
  ...over,
})

describeCheck('person-objects', {
  raises: {
    'a no, with its note': {
      head: {},
      requirements: { answers: [no({ note: 'It is a clinic' })] },
      expect: {
        level: 'error',
        message: 'Ada says that the title does not tell what the page is: “It is a clinic”.',
        line: expect.any(Number),
      },
    },
    'a no to a picture': {
      head: {},
      requirements: { answers: [no({ question: 'picture' })] },
      expect: { message: 'Ada says that this is not the right picture.' },
    },
    'a no to the tone of a section': {
      head: {},
      requirements: { answers: [no({ question: 'tone', section: '/guides/*' })] },
      expect: { message: 'Ada says that the tone of /guides/* is not right.' },
    },
    'a no after a yes': {
      head: {},
      requirements: { answers: [no(), no({ answer: 'yes', at: '2026-11-26T10:00:00Z' })] },
    },
  },
  passes: {
    'a yes': { head: {}, requirements: { answers: [no({ answer: 'yes' })] } },
    'a yes after a no': {
      head: {},
      requirements: { answers: [no({ answer: 'yes', at: '2026-11-28T10:00:00Z' }), no()] },
    },
    'a card that shows something else by now': { head: {}, requirements: { answers: [no({ seen: 'Another title' })] } },
    'another page': { head: {}, requirements: { answers: [no({ page: '/none.html' })] } },
  },
})

test('what was seen is the card’s own words, and the picture by what it holds', async () => {
  const gathered = await gatherMemory(goodSite({ 'about.html': goodPage('about.html', 'Ferns', {}) }), GOOD_SITE)
  const seen = 'Ferns of the garden'
  const hash = gathered.images.find(({ url }) => url.endsWith('/Ferns.png'))?.hash ?? ''
  const found = (answers: Answer[]) =>
    runChecks(gathered, createCheckContext(gathered, { answers })).pages.flatMap(({ findings }) =>
      findings.filter(({ rule }) => rule === 'person-objects').map(({ said }) => said),
    )
  expect(found([no({ seen })])).toEqual(['title'])
  expect(hash).toMatch(/^sha256:/)
  expect(found([no({ question: 'picture', seen: hash })])).toEqual(['picture'])
  expect(found([no({ question: 'picture', seen: 'sha256:0' })])).toEqual([])
})
