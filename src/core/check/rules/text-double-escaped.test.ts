import { describeCheck } from '../../testing/describe-check'

describeCheck('text-double-escaped', {
  raises: {
    'an ampersand': { head: { 'og:title': '<meta property="og:title" content="Ferns &amp;amp; mosses of all">' } },
    'a number': {
      head: {
        description:
          '<meta name="description" content="It&amp;#39;s long enough to be a description of this page here">',
      },
    },
    'a quotation mark': { head: { title: '<title>Ferns &amp;quot;of the garden&amp;quot;</title>' } },
  },
  passes: {
    'escaped once': { head: { 'og:title': '<meta property="og:title" content="Ferns &amp; mosses of all">' } },
    'a query': { head: { 'og:title': '<meta property="og:title" content="How ?a=1&amp;b=2 is written">' } },
    'an ampersand before a word': {
      head: { 'og:title': '<meta property="og:title" content="Salt &amp; vinegar; and more">' },
    },
  },
})
