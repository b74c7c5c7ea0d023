import { describeCheck } from '../../testing/describe-check'

const feed = (href: string, type = 'application/rss+xml') => ({
  more: `<link rel="alternate" type="${type}" href="${href}">`,
})

describeCheck('feed-dead', {
  raises: {
    'a feed that the build doesn’t hold': {
      head: feed('/feed.xml'),
      expect: { level: 'note', line: 18, message: 'The feed https://site.example/feed.xml is not there.' },
    },
    'an Atom feed': { head: feed('/feed.atom', 'application/atom+xml; charset=utf-8') },
  },
  passes: {
    'a feed that is there': { head: feed('/sitemap.xml') },
    'a feed of another site': { head: feed('https://other.example/feed.xml') },
    'another form of the page, which is no feed': { head: feed('/about.pdf', 'application/pdf') },
  },
})
