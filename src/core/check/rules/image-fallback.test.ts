import { describeCheck } from '../../testing/describe-check'
import { goodPage, pngBytes } from '../../testing/good-site'

const page = (body: string) => goodPage('about.html', 'Ferns', { 'og:image': null, 'og:image:alt': null }, body)
const files = (body: string, picture = pngBytes(200, 200)) => ({
  files: { 'about.html': page(body), 'img/inside.png': picture },
})

describeCheck('image-fallback', {
  raises: {
    'a picture of the content': {
      ...files('<p>x</p><img src="/img/inside.png">'),
      expect: { level: 'warning', image: 'https://site.example/img/inside.png' },
    },
  },
  passes: {
    'too small to be taken': files('<img src="/img/inside.png">', pngBytes(199, 200)),
    'declared small, so it is not asked for': files('<img src="/img/inside.png" width="64" height="64">'),
    'not looked at: no outside host answers': {
      files: { 'about.html': page('<img src="https://elsewhere.example/a.png">') },
      read: async () => ({ kind: 'failed', code: 'host-not-found', message: 'no host', ms: 0 }),
    },
    'not there': files('<img src="/img/none.png">'),
    'a declared picture that fails is another finding': {
      head: { 'og:image': '<meta property="og:image" content="https://site.example/none.png">' },
      body: '<img src="/img/Roses.png">',
    },
  },
})
