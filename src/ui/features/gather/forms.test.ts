import { gzipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { chosenFiles } from '../../state/run/dropped-files'
import { requestOf } from './address-form'
import { pastedAddresses } from './list-form'
import { readAddressFile } from './read-address-file'

const fields = {
  address: 'localhost:3000',
  site: '',
  ignoreRobots: false,
  user: '',
  password: '',
  headers: '',
  include: '',
  exclude: '',
  perSection: '',
}

describe('requestOf', () => {
  test('an address alone', () => {
    expect(requestOf(fields)).toEqual({
      source: {
        kind: 'crawl',
        request: {
          from: { kind: 'url', start: 'http://localhost:3000/' },
          site: null,
          ignoreRobots: false,
          login: null,
          perSection: null,
          include: [],
          exclude: [],
        },
      },
    })
  })

  test('everything', () => {
    const result = requestOf({
      ...fields,
      site: 'example.org',
      user: 'ada',
      password: 'a:b',
      headers: 'X-Preview: yes: really\n\n',
      include: '/a/**, /b/*',
      exclude: '/c',
      perSection: '20',
    })
    expect(result).toMatchObject({
      source: {
        request: {
          site: 'https://example.org/',
          perSection: 20,
          include: ['/a/**', '/b/*'],
          exclude: ['/c'],
          login: { user: 'ada', password: 'a:b', headers: [{ name: 'X-Preview', value: 'yes: really' }] },
        },
      },
    })
  })

  test.each([
    [{ address: '' }, 'is no http address'],
    [{ address: 'ftp://x' }, '“ftp://x” is no http address'],
    [{ site: 'mailto:x' }, '“mailto:x” is no http address'],
    [{ headers: 'no colon here' }, '“no colon here” is no header'],
    [{ perSection: '0' }, 'whole number from 1 on'],
    [{ perSection: 'many' }, 'whole number from 1 on'],
  ])('%j says %s', (change, words) => {
    const result = requestOf({ ...fields, ...change })
    expect('fault' in result && result.fault).toContain(words)
  })
})

describe('pastedAddresses', () => {
  test.each([
    [
      'one a line',
      'https://a.example/\nb.example/x\n# no\nnot an address at all',
      ['https://a.example/', 'https://b.example/x'],
    ],
    ['the text of a sitemap', '<urlset><url><loc>https://a.example/1</loc></url></urlset>', ['https://a.example/1']],
    ['nothing', ' \n ', []],
    ['rows of a table, and sentences', 'url,title\nhttps://a.example/1,"A"\nSee https://a.example/ too', []],
    [
      'hosts as people write them',
      'localhost:3000\ncafé.example?x\n[::1]:80/a\nword\na.example.',
      ['http://localhost:3000/', 'https://xn--caf-dma.example/?x', 'http://[::1]/a'],
    ],
  ])('%s', (_name, text, expected) => {
    expect(pastedAddresses(text)).toEqual(expected)
  })
})

describe('readAddressFile', () => {
  const A = 'https://a.example/1'
  const read = (name: string, ...parts: (string | Uint8Array<ArrayBuffer>)[]) => readAddressFile(new File(parts, name))
  const map = (count: number) => `<urlset>${`<url><loc>${A}</loc></url>`.repeat(count)}</urlset>`

  test('a list, a sitemap and a packed one, by what is in them', async () => {
    expect(await read('a.txt', `${A}\nb.example/x\nno address at all`)).toEqual({
      name: 'a.txt',
      addresses: [A, 'https://b.example/x'],
      left: 1,
      isCut: false,
    })
    expect(await read('a', map(2))).toEqual({ name: 'a', addresses: [A, A], left: 0, isCut: false })
    const packed = Uint8Array.from(gzipSync(new TextEncoder().encode(map(9000))))
    expect(await read('a.xml.gz', packed)).toMatchObject({ addresses: { length: 9000 }, isCut: false })
  })

  test.each([
    ['nothing in it', 'a.txt', '# nothing', '“a.txt” names no address'],
    ['lines that are no addresses', 'a.csv', 'mailto:x\n//', '“a.csv” names no address'],
    ['an index', 'map.xml', `<sitemapindex><sitemap><loc>${A}</loc></sitemap></sitemapindex>`, `no page but ${A}`],
  ])('%s is said', async (_what, name, text, words) => {
    const found = await read(name, text)
    expect('fault' in found && found.fault).toContain(words)
  })

  test('a pack that was cut off is said', async () => {
    const packed = Uint8Array.from(gzipSync(new TextEncoder().encode(map(90))))
    const found = await read('a.xml.gz', packed.subarray(0, 40))
    expect('fault' in found && found.fault).toContain('“a.xml.gz” can’t be read')
  })
})

test('files of a chosen folder have their paths below it', async () => {
  const file = (webkitRelativePath: string) =>
    Object.assign(new File(['x'], webkitRelativePath.split('/').at(-1)!), { webkitRelativePath })
  const list = [file('out/index.html'), file('out/guides/lamp.html')]
  expect(await chosenFiles(list)).toMatchObject({
    name: 'out',
    files: [{ path: 'index.html' }, { path: 'guides/lamp.html' }],
  })
})
