import { expect, test } from 'vitest'
import { gatherMemory, type MemoryBuild } from '../../testing/build-run'
import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'
import { runChecks } from '../run-checks'

const added = (link: string) => ({
  files: {
    'extra.html': goodPage('extra.html', 'Ferns too', { nav: '' }, '<h1>Ferns too</h1><a href="/extra.html">here</a>'),
    'visit.html': goodPage('visit.html', 'Mosses', {}, `<h1>Mosses</h1>${link}`),
  },
})

describeCheck('page-orphan', {
  raises: {
    'a page that only links to itself': {
      ...added(''),
      expect: { level: 'note', message: 'No page links to https://site.example/extra.html.' },
    },
  },
  passes: {
    'a page linked by another of its names': added('<a href="extra#part">more</a>'),
    'a page linked from an image map': added('<map><area href="extra.html"></map>'),
  },
})

const orphansOf = async (files: MemoryBuild) => {
  const { findings } = runChecks(await gatherMemory(files, 'https://site.example/'))
  return findings.filter(({ rule }) => rule === 'page-orphan').flatMap(({ pages }) => pages)
}

test('one page alone is no orphan', async () => {
  expect(await orphansOf({ 'dist/index.html': '<title>A page by itself</title><h1>Page</h1>' })).toEqual([])
})

test('the page that the site’s own URL leads to is none; another that nothing links to is', async () => {
  const build = {
    'index.html': '<!doctype html><meta charset="utf-8"><meta http-equiv="refresh" content="0; url=/en/">',
    'en/index.html': '<title>Start</title><h1>Start</h1><a href="/en/about.html">About</a>',
    'en/about.html': '<title>About</title><h1>About</h1>',
    'en/lost.html': '<title>Lost</title><h1>Lost</h1>',
  }
  expect(await orphansOf(build)).toEqual(['https://site.example/en/lost.html'])
})
