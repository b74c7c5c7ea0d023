import { describe, expect, test } from 'vitest'
import { requestOf } from './address-form'
import { chosenFiles } from './dropped-files'
import { pastedAddresses } from './list-form'

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
  ])('%s', (_name, text, expected) => {
    expect(pastedAddresses(text)).toEqual(expected)
  })
})

test('files of a chosen folder have their paths below it', async () => {
  const file = (webkitRelativePath: string) =>
    Object.assign(new File(['x'], webkitRelativePath.split('/').at(-1)!), { webkitRelativePath })
  const list = [file('out/index.html'), file('out/guides/lamp.html')] as unknown as FileList
  expect(await chosenFiles(list)).toMatchObject({
    name: 'out',
    files: [{ path: 'index.html' }, { path: 'guides/lamp.html' }],
  })
})
