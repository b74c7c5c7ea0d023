import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

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
