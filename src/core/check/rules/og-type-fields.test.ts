import { describeCheck } from '../../testing/describe-check'

describeCheck('og-type-fields', {
  raises: {
    'a date in words': {
      head: { 'article:published_time': '<meta property="article:published_time" content="2 November 2026">' },
      expect: { level: 'warning' },
    },
    'a day that no month has': { head: { date: '<meta property="article:modified_time" content="2026-13-02">' } },
    'a price with its sign': { head: { price: '<meta property="product:price:amount" content="€24,50">' } },
    'a currency’s name': { head: { currency: '<meta property="product:price:currency" content="Euro">' } },
  },
  passes: {
    'a date alone': { head: { date: '<meta property="article:published_time" content="2026-11-02">' } },
    'with time and zone': {
      head: { date: '<meta property="article:published_time" content="2026-11-02T09:00:00.5+01:00">' },
    },
    'a price': {
      head: {
        price: '<meta property="product:price:amount" content="24.50">',
        currency: '<meta property="product:price:currency" content="EUR">',
      },
    },
    'an empty one is another check’s': { head: { date: '<meta property="article:published_time" content="">' } },
  },
})
