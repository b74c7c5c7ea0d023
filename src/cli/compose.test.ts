import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { firstTemplate, type PictureTemplate } from '@/core/compose'
import { commandIn, root } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'nimble-parrot-compose-'))
afterAll(() => rmSync(here, { recursive: true, force: true }))
const run = commandIn(here)
const compose = (...args: string[]) => run('compose', ...args)
const SITE = ['--site', 'https://good.example/']

const page = (title: string, head = '') =>
  `<html lang="en"><meta charset="utf-8"><title>${title} | Hall</title><meta property="og:site_name" content="Hall">${head}<p>A page of the hall, with a sentence that says what it is about.</p>`

function templates(change: Partial<PictureTemplate> = {}, sections = ['/guides/*']): string {
  const template = { ...firstTemplate('#14231e'), ...change }
  const file = join(here, 'nimble-parrot-pictures.json')
  const own = Object.fromEntries(sections.map((section) => [section, template]))
  writeFileSync(file, JSON.stringify({ format: 'nimble-parrot-picture-templates', version: 1, sections: own }))
  return 'nimble-parrot-pictures.json'
}

beforeAll(async () => {
  mkdirSync(join(here, 'dist/guides'), { recursive: true })
  mkdirSync(join(here, 'dist/img'))
  writeFileSync(join(here, 'dist/index.html'), page('Home', '<a href="/guides/lamp">a</a>'))
  writeFileSync(join(here, 'dist/guides/lamp.html'), page('Rewire a lamp'))
  writeFileSync(join(here, 'dist/guides/kettle.html'), page('Descale a kettle'))
  const own = '<meta property="og:image" content="https://good.example/img/zip.png">'
  writeFileSync(join(here, 'dist/guides/zip.html'), page('Free a zip', own))
  const red = { width: 1200, height: 630, channels: 3 as const, background: '#c02010' }
  await sharp({ create: red }).png().toFile(join(here, 'dist/img/zip.png'))
})

describe('share pictures from templates', () => {
  test('are written for pages that have none, at their addresses, and the same again', async () => {
    const { code, out, err } = await compose(
      'dist',
      ...SITE,
      '--templates',
      templates({ type: 'png' }),
      '--out',
      'made',
    )
    expect({ code, out, err }).toEqual({ code: 0, out: 'made: 2 pictures\n', err: '' })
    expect(readdirSync(join(here, 'made/share')).sort()).toEqual(['guides-kettle.png', 'guides-lamp.png'])
    const { width, height } = await sharp(join(here, 'made/share/guides-lamp.png')).metadata()
    expect([width, height]).toEqual([1200, 630])
    const manifest = JSON.parse(readFileSync(join(here, 'made/nimble-parrot-composed.json'), 'utf8'))
    expect(manifest).toMatchObject({
      format: 'nimble-parrot-composed-pictures',
      site: 'https://good.example/',
      pictures: [{ width: 1200, withinBudget: true, titleCut: false }, { section: '/guides/*' }],
    })
    // The page names it now: a build that makes them each time writes them each time.
    const address = 'https://good.example/share/guides-lamp.png'
    writeFileSync(
      join(here, 'dist/guides/lamp.html'),
      page('Rewire a lamp', `<meta property="og:image" content="${address}">`),
    )
    const before = readFileSync(join(here, 'made/share/guides-lamp.png'))
    expect((await compose('dist', ...SITE, '--templates', templates({ type: 'png' }), '--out', 'made')).out).toBe(
      'made: 2 pictures\n',
    )
    expect(readFileSync(join(here, 'made/share/guides-lamp.png')).equals(before)).toBe(true)
  })

  test('have the page’s own picture behind them, shaded', async () => {
    writeFileSync(
      join(here, 'dist/guides/zip.html'),
      page('Free a zip', '').replace('<p>', '<img src="/img/zip.png"><p>'),
    )
    const background = { kind: 'picture' as const, shade: '#000000', strength: 0.5, blur: 0.02 }
    await compose('dist', ...SITE, '--templates', templates({ background, type: 'png' }), '--out', 'grounds')
    const { channels } = await sharp(
      await sharp(join(here, 'grounds/share/guides-zip.png'))
        .extract({ left: 0, top: 0, width: 1200, height: 20 })
        .png()
        .toBuffer(),
    ).stats()
    const [red, green, blue] = channels.map(({ mean }) => mean)
    expect(red).toBeGreaterThan(85)
    expect(red).toBeLessThan(105)
    expect(Math.max(green!, blue!)).toBeLessThan(25)
  })

  test('a title whose letters the face lacks gets none, and says so; with a font that has them it does', async () => {
    writeFileSync(join(here, 'dist/guides/lamp.html'), page('ランプを直す'))
    const lacking = await compose('dist', ...SITE, '--templates', templates(), '--out', 'letters')
    expect(lacking.code).toBe(1)
    expect(lacking.err).toMatch(/\/guides\/lamp: the face lacks ラ ン プ を 直 す: name a font file that has them/)
    mkdirSync(join(here, 'fonts'), { recursive: true })
    copyFileSync(
      join(root, 'node_modules/@fontsource/dotgothic16/files/dotgothic16-japanese-400-normal.woff'),
      join(here, 'fonts/dot.woff'),
    )
    const face = { family: 'Dot', file: 'fonts/dot.woff', weight: 400 }
    const found = await compose(
      'dist',
      ...SITE,
      '--templates',
      templates({ face, mark: undefined }),
      '--out',
      'letters',
    )
    expect(found.err).not.toContain('/guides/lamp')
    writeFileSync(join(here, 'dist/guides/lamp.html'), page('Rewire a lamp'))
  })

  test('letters of another script come from the files that are named for it', async () => {
    writeFileSync(join(here, 'dist/guides/lamp.html'), page('إصلاح lamps'))
    expect((await compose('dist', ...SITE, '--templates', templates(), '--out', 'also')).err).toMatch(
      /the face lacks إ/,
    )
    mkdirSync(join(here, 'fonts'), { recursive: true })
    copyFileSync(
      join(root, 'node_modules/@fontsource/noto-sans-arabic/files/noto-sans-arabic-arabic-700-normal.woff'),
      join(here, 'fonts/arabic.woff'),
    )
    const face = { family: 'Arimo', weight: 700, also: ['fonts/arabic.woff'] }
    const made = await compose('dist', ...SITE, '--templates', templates({ face, type: 'png' }), '--out', 'also')
    expect(made.err).not.toContain('/guides/lamp')
    // As the face itself, the file has no Latin letters of its own: others are lent to it, and that is said.
    const alone = { family: 'Own', file: 'fonts/arabic.woff', weight: 700 }
    const lent = await compose('dist', ...SITE, '--templates', templates({ face: alone }), '--out', 'also')
    expect(lent.err).toMatch(/\/guides\/lamp: Arimo stands in for l a m p s/)
    expect(lent.code).toBe(0)
    writeFileSync(join(here, 'dist/guides/lamp.html'), page('Rewire a lamp'))
  })

  test('what is cut, and a budget that can’t be met, is said', async () => {
    const title = { ...firstTemplate(null).title, largest: 200, smallest: 200, lines: 1 }
    const { code, err } = await compose(
      'dist',
      ...SITE,
      '--templates',
      templates({ title, budget: 5000 }),
      '--out',
      'cut',
    )
    expect(code).toBe(1)
    expect(err).toMatch(/\/guides\/kettle(?:\.html)?: with its title cut\./)
    expect(err).toMatch(/heavier than the budget/)
  })
})

test.each([
  [{ face: { family: 'Hanken Grotesk', weight: 700 } }, /asks for the face Hanken Grotesk and names no file of it/],
  [{ face: { family: 'X', file: 'none.ttf', weight: 700 } }, /names none\.ttf, which can’t be read/],
  [
    { face: { family: 'X', file: '../elsewhere.ttf', weight: 700 } },
    /names \.\.\/elsewhere\.ttf, which is outside its repository|face\.file/,
  ],
  [{ face: { family: 'X', file: 'nimble-parrot-pictures.json', weight: 700 } }, /can’t be used\. It is no font/],
])('a template that can’t be used ends with one line: %j', async (change, line) => {
  const { code, out, err } = await compose('dist', '--templates', templates(change), '--out', 'none')
  expect([code, out]).toEqual([2, ''])
  expect(err).toMatch(line)
  expect(err.trimEnd().split('\n')).toHaveLength(1)
})

test('a section without pages is said', async () => {
  const { err } = await compose(
    'dist',
    ...SITE,
    '--templates',
    templates({}, ['/guides/*', '/news/*']),
    '--out',
    'idle',
  )
  expect(err).toContain('No page lies in /news/*')
})

test('what the build has of its own is not written over; what was composed before is', async () => {
  const own = join(here, 'own')
  mkdirSync(join(own, 'share'), { recursive: true })
  writeFileSync(join(own, 'manifest.json'), 'the site’s own')
  const args = ['dist', ...SITE, '--templates', templates({ type: 'png' }), '--out', 'own']
  expect((await compose(...args)).out).toMatch(/^own: [1-9] pictures\n$/)
  expect(readFileSync(join(own, 'manifest.json'), 'utf8')).toBe('the site’s own')
  expect((await compose(...args)).out).toMatch(/^own: [1-9] pictures\n$/)
  rmSync(join(own, 'nimble-parrot-composed.json'))
  const refused = await compose(...args)
  expect(refused.code).toBe(2)
  expect(refused.err).toContain('is there already, and was not written by this program')
  expect((await compose(...args, '--overwrite')).out).toMatch(/^own: [1-9] pictures\n$/)
})

test('where no template has a page nothing is written, and the nearest section is named', async () => {
  const { code, err } = await compose('dist', ...SITE, '--templates', templates({}, ['/giudes/*']), '--out', 'typo')
  expect(code).toBe(2)
  expect(err).toContain('No page lies in /giudes/*, which has a template. Is /guides/* meant?')
  expect(() => readdirSync(join(here, 'typo'))).toThrow('ENOENT')
})

test('sections are named with the path that the site lives under, or without', async () => {
  const under = ['--site', 'https://good.example/hall/']
  for (const section of ['/guides/*', '/hall/guides/*']) {
    const made = await compose('dist', ...under, '--templates', templates({ type: 'png' }, [section]), '--out', 'under')
    expect(made.out).toMatch(/^under: [1-9] pictures\n$/)
  }
})
