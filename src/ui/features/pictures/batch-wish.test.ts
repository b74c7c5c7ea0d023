import { expect, test } from 'vitest'
import { refitPlan } from '@/core/image'
import { CARD_WISH } from '../../state/pictures/refit-name'
import { type BatchResult, batchFiles } from './batch-wish'

const SITE = 'https://site.example/docs/'
const made = (text: string, focus = { x: 0.25, y: 0.5 }): BatchResult => ({
  kind: 'made',
  focus: { focus, origin: 'set' },
  refitted: {
    blob: new Blob([text]),
    quality: 80,
    fits: true,
    next: null,
    plan: refitPlan({ width: 2400, height: 2400 }, CARD_WISH.shape, focus, CARD_WISH.fill),
  },
})

test('an address that is wrongly encoded costs no other picture', async () => {
  const files = await batchFiles([{ url: `${SITE}100%/a.png`, result: made('a') }], {
    site: SITE,
    run: '',
    wish: CARD_WISH,
  })
  expect(Object.keys(files)).toContain('100%/a-1200x630.jpg')
})

test('pictures lie in the folders of the build, and the manifest says what was kept of each', async () => {
  const files = await batchFiles(
    [
      { url: `${SITE}img/gr%C3%BCn.png?v=2`, result: made('a') },
      { url: `${SITE}img/gr%C3%BCn.jpg`, result: made('b') },
      { url: 'https://elsewhere.example/lamp.png', result: made('c', { x: 0.5, y: 1 }) },
      { url: `${SITE}img/lost.png`, result: { kind: 'left', why: 'It answered 404.' } },
    ],
    { site: SITE, run: '2026-11-23T09:12:00Z', wish: CARD_WISH },
  )
  expect(Object.keys(files).sort()).toEqual([
    'img/gr-C3-BCn-1200x630-2.jpg',
    'img/gr-C3-BCn-1200x630.jpg',
    'lamp-1200x630.jpg',
    'manifest.json',
  ])
  const { pictures } = JSON.parse(new TextDecoder().decode(files['manifest.json']))
  expect(pictures[0]).toMatchObject({
    address: `${SITE}img/gr-C3-BCn-1200x630.jpg`,
    focus: { x: 0.25, y: 0.5, from: 'set' },
    crop: { x: 0, y: 570, width: 2400, height: 1260 },
    bytes: 1,
    withinBudget: true,
  })
  expect(pictures[2].crop.y).toBe(1140)
  expect(pictures[3]).toEqual({ from: `${SITE}img/lost.png`, file: null, left: 'It answered 404.' })
})
