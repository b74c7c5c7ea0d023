import { describeCheck } from '../../testing/describe-check'

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
