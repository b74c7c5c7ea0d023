import { describeCheck } from '../../testing/describe-check'

const image = (url: string) => ({ 'og:image': `<meta property="og:image" content="${url}">` })

describeCheck('image-unreachable', {
  raises: {
    'not in the build': {
      head: image('https://site.example/img/Fern.png'),
      expect: { level: 'error', line: 13, image: 'https://site.example/img/Fern.png' },
    },
    'no answer': { head: image('https://pictures.example/a.png') },
    'only twitter:image is wrong': { head: { x: '<meta name="twitter:image" content="https://site.example/x.png">' } },
  },
  passes: {
    'there, under a query': { head: image('https://site.example/img/Ferns.png?v=2') },
    'there, but no picture: that is another finding': {
      files: { 'img/Ferns.png': '<!doctype html><title>404</title>' },
    },
    'no outside host can be looked up: the run is offline': {
      files: {},
      read: async () => ({ kind: 'failed', code: 'host-not-found', message: 'no host', ms: 0 }),
    },
  },
})
