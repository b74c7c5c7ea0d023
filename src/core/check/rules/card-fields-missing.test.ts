import { expect, test } from 'vitest'
import { gatherMemory } from '../../testing/build-run'
import { describeCheck } from '../../testing/describe-check'
import { createCheckContext, inWords, runChecks } from '..'

describeCheck('card-fields-missing', {
  raises: {
    'a player without a size': {
      head: {
        'twitter:card': '<meta name="twitter:card" content="player">',
        p: '<meta name="twitter:player" content="https://site.example/p">',
      },
    },
    'an app without an id': { head: { 'twitter:card': '<meta name="twitter:card" content="app">' } },
    'a video without a type': {
      head: { 'og:video': '<meta property="og:video" content="https://site.example/v.mp4">' },
    },
  },
  passes: {
    'an app with one id': {
      head: {
        'twitter:card': '<meta name="twitter:card" content="app">',
        i: '<meta name="twitter:app:id:iphone" content="1">',
      },
    },
  },
})

test.each([
  [
    'https://good.example/v.mp4',
    'og:video is https://good.example/v.mp4, which is outside of https://good.example/docs/.',
  ],
  ['https://good.example/docs/v.mp4', null],
  ['https://videos.example/v.mp4', null],
])('a video at %s of a site under a path', async (url, message) => {
  const head = ['og:video', 'og:video:type', 'og:video:width', 'og:video:height']
    .map((key, index) => `<meta property="${key}" content="${[url, 'video/mp4', '640', '360'][index]}">`)
    .join('')
  const files = { 'index.html': `<!doctype html><title>Ferns</title>${head}<h1>Ferns</h1>` }
  const gathering = await gatherMemory(files, 'https://good.example/docs/')
  const { pages } = runChecks(gathering, createCheckContext(gathering))
  const found = pages.flatMap(({ findings }) => findings.filter(({ rule }) => rule === 'card-fields-missing'))
  expect(found.map((finding) => inWords(finding).message)).toEqual(message === null ? [] : [message])
})
