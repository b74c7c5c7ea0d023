import { describeCheck } from '../../testing/describe-check'

describeCheck('account-malformed', {
  raises: {
    'a URL': { head: { 'twitter:site': '<meta name="twitter:site" content="https://social.example/garden">' } },
    'without @': { head: { 'twitter:creator': '<meta name="twitter:creator" content="garden">' } },
    'too long': { head: { 'twitter:site': '<meta name="twitter:site" content="@sixteen_letters_">' } },
  },
  passes: {
    'an account': { head: { 'twitter:site': '<meta name="twitter:site" content="@garden_1">' } },
    '15 letters': { head: { 'twitter:site': '<meta name="twitter:site" content="@abcdefghijklmno">' } },
  },
})
