import { describeCheck } from '../../testing/describe-check'

describeCheck('crawler-blocked', {
  raises: {
    'one crawler': { files: { 'robots.txt': 'User-agent: Twitterbot\nDisallow: /about' }, expect: { level: 'error' } },
    'all of them': { files: { 'robots.txt': 'User-agent: *\nDisallow: /' } },
  },
  passes: {
    'another folder': { files: { 'robots.txt': 'User-agent: *\nDisallow: /private/' } },
    'an exception': { files: { 'robots.txt': 'User-agent: *\nDisallow: /x\nAllow: /' } },
  },
})
