import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-empty', {
  raises: {
    'no content': { head: { author: '<meta name="author">' }, expect: { level: 'warning', line: 18 } },
    'only a no-break space': { head: { 'twitter:site': '<meta name="twitter:site" content="&nbsp;">' } },
    'a tag of an article': { head: { x: '<meta property="article:author" content="">' } },
  },
  passes: {
    'a tag that places don’t read': { head: { x: '<meta name="my-own" content="">' } },
    'a zero': { head: { x: '<meta property="product:price:amount" content="0">' } },
  },
})
