import { describeCheck } from '../../testing/describe-check'

describeCheck('app-id-malformed', {
  raises: {
    'a name': { head: { 'fb:app_id': '<meta property="fb:app_id" content="garden">' } },
    'an address': { head: { 'fb:admins': '<meta property="fb:admins" content="https://social.example/ada">' } },
  },
  passes: {
    'a number': { head: { 'fb:app_id': '<meta property="fb:app_id" content="1234567890">' } },
    several: { head: { 'fb:admins': '<meta property="fb:admins" content="123,456">' } },
  },
})
