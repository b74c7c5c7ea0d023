import { describeCheck } from '../../testing/describe-check'

const neighbour = (rel: string, href: string) => ({ head: { more: `<link rel="${rel}" href="${href}">` } })

describeCheck('pagination-broken', {
  raises: {
    'a next page that is not there': {
      ...neighbour('next', '/about/2'),
      expect: {
        level: 'note',
        line: 18,
        message: 'The page https://site.example/about/2, named as its neighbour, is not there.',
      },
    },
    'a page before it': neighbour('prev', '/zero.html'),
  },
  passes: {
    'a neighbour that is there': neighbour('next', '/visit.html'),
    'a neighbour under its short name': neighbour('prev', '/visit'),
    'a page that is only fetched ahead': neighbour('prefetch', '/zero.html'),
  },
})
