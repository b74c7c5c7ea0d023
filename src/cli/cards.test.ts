import { copyFileSync, cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { commandIn, root } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'nimble-parrot-cards-'))
afterAll(() => rmSync(here, { recursive: true, force: true }))
const run = commandIn(here)
const cards = (...args: string[]) => run('cards', ...args)
const SITE = ['--site', 'https://brasswick.example']

/** Mean colour of a part of a picture. */
async function meanOf(file: string, part: { left: number; top: number; width: number; height: number }) {
  const { channels } = await sharp(await sharp(join(here, file)).extract(part).png().toBuffer()).stats()
  return channels.slice(0, 3).map(({ mean }) => Math.round(mean))
}

beforeAll(async () => {
  cpSync(join(root, 'demo', 'site'), join(here, 'site'), { recursive: true })
  await run('check', 'site', ...SITE, '--format', 'json=before.json')
})

describe('cards as pictures', () => {
  test('of one page on all places, or on those that are named', async () => {
    const all = await cards('site', ...SITE, '--page', '/guides/rewire-a-lamp', '--out', 'lamp.png')
    expect(all).toEqual({ code: 0, out: 'lamp.png: 10 cards\n', err: '' })
    const one = await cards(
      'before.json',
      '--page',
      'guides/rewire-a-lamp',
      '--surface',
      'wide-feed',
      '--out',
      'one.png',
    )
    expect(one).toEqual({ code: 0, out: 'one.png: 1 card\n', err: '' })
    // The picture of the card is the page's own, read from the folder that the run was of: no grey box.
    const [red, green, blue] = await meanOf('one.png', { left: 100, top: 240, width: 200, height: 100 })
    expect(red! - blue!).toBeGreaterThan(30)
    expect(green).toBeGreaterThan(100)
  })

  test('a folder gets a picture of each page', async () => {
    const { code, out } = await cards('before.json', '--page', '/', '--page', '/about', '--out', 'each')
    expect([code, out]).toEqual([0, 'each: 20 cards in 2 pictures\n'])
    expect(readdirSync(join(here, 'each')).sort()).toEqual(['about.png', 'home.png', 'nimble-parrot-cards.json'])
  })

  test('what a folder has of its own is not drawn over; what was drawn before is', async () => {
    const drawn = (...more: string[]) =>
      cards('before.json', '--page', '/', '--page', '/about', '--surface', 'tab', '--out', 'own', ...more)
    mkdirSync(join(here, 'own'))
    writeFileSync(join(here, 'own', 'home.png'), 'mine')
    const { code, err } = await drawn()
    expect(code).toBe(2)
    expect(err).toContain('home.png is there already, and was not written by this program.')
    expect(readFileSync(join(here, 'own', 'home.png'), 'utf8')).toBe('mine')
    expect((await drawn('--overwrite')).code).toBe(0)
    expect((await drawn()).code).toBe(0)
  })

  test('an SVG holds its pictures and its face', async () => {
    await cards('before.json', '--page', '/', '--surface', 'wide-feed', '--out', 'home.svg')
    const svg = readFileSync(join(here, 'home.svg'), 'utf8')
    expect(svg).toContain('href="data:image/jpeg;base64,')
    expect(svg).toContain('@font-face')
    expect(svg).not.toMatch(/(?:href|src)="(?!data:)/)
  })

  test('of what changed, each beside what it was', async () => {
    cpSync(join(here, 'site'), join(here, 'now'), { recursive: true })
    const page = join(here, 'now', 'guides', 'rewire-a-lamp.html')
    writeFileSync(page, readFileSync(page, 'utf8').replace(/(og:title" content=")[^"]*/, '$1A lamp, rewired'))
    copyFileSync(join(here, 'now/img/ladder.jpg'), join(here, 'now/img/home.jpg'))
    const { code, out, err } = await cards('now', ...SITE, '--changed-since', 'before.json', '--out', 'changed.svg')
    expect({ code, out, err }).toEqual({ code: 0, out: 'changed.svg: 2 changed cards\n', err: '' })
    const svg = readFileSync(join(here, 'changed.svg'), 'utf8')
    expect(svg).toContain('>A lamp, rewired</text>')
    expect(svg).toContain('>/guides/rewire-a-lamp · Wide feed and ')
    expect(svg.match(/<image /g)).toHaveLength(4)
  })

  test('nothing changed is a picture that says so', async () => {
    const { code, out } = await cards('site', ...SITE, '--changed-since', 'before.json', '--out', 'same.svg')
    expect([code, out]).toEqual([0, 'same.svg: 0 changed cards\n'])
    expect(readFileSync(join(here, 'same.svg'), 'utf8')).toContain('0 changed cards')
  })

  test('a picture that is another than the run saw is a grey box, and said to be', async () => {
    copyFileSync(join(here, 'site/img/ladder.jpg'), join(here, 'site/img/about.jpg'))
    const { code, err } = await cards('before.json', '--page', '/about', '--surface', 'wide-feed', '--out', 'old.svg')
    expect(code).toBe(0)
    expect(err).toContain('1 picture is not at hand, or other than the run saw')
    expect(readFileSync(join(here, 'old.svg'), 'utf8')).not.toContain('<image')
  })
})

test.each([
  [['site', '--out', 'x.gif'], /x\.gif is neither a \.png, nor an \.svg, nor a folder/],
  [['site', '--surface', 'wide-fed', '--out', 'x.png'], /--surface wide-fed is no place\. Is wide-feed meant\?/],
  [['before.json', '--page', '/guides/rewire-a-lmp', '--out', 'x.png'], /not in the run\. Is \/guides\/rewire-a-lamp/],
  [['before.json', '--changed-since', 'none.json', '--out', 'x.png'], /The earlier run none\.json can’t be read/],
  [['before.json', '--out', 'no/where/x.png'], /no\/where\/x\.png can’t be written/],
])('%j ends with one line that says what is wrong', async (args, line) => {
  const { code, out, err } = await cards(...args)
  expect([code, out]).toEqual([2, ''])
  expect(err).toMatch(line)
  expect(err.trimEnd().split('\n')).toHaveLength(1)
})

test('a document can’t have files read that lie outside its folder, or inner addresses asked', async () => {
  const document = JSON.parse(readFileSync(join(here, 'before.json'), 'utf8'))
  const [image] = document.images
  const at = (location: string, kind: string, url: string) => {
    const card = structuredClone(document.pages[0].cards['wide-feed'])
    const page = {
      ...document.pages[0],
      cards: { 'wide-feed': { ...card, layout: 'wide', image: { ...card.image, url } } },
    }
    const source = { kind, location, site: 'https://brasswick.example/' }
    writeFileSync(
      join(here, 'hostile.json'),
      JSON.stringify({ ...document, source, pages: [page], images: [{ ...image, url, hash: null }] }),
    )
    return cards('hostile.json', '--surface', 'wide-feed', '--out', 'hostile.svg')
  }
  writeFileSync(join(here, 'secret.jpg'), readFileSync(join(here, 'site/img/ladder.jpg')))
  for (const [location, kind, url] of [
    ['site', 'folder', 'https://brasswick.example/..%2Fsecret.jpg'],
    ['http://127.0.0.1:9/', 'url', 'http://127.0.0.1:9/x.jpg'],
  ] as const) {
    const { code, err } = await at(location, kind, url)
    expect([code, err.includes('1 picture is not at hand')]).toEqual([0, true])
  }
})
