import { describeCheck } from '../../testing/describe-check'

const card = (kind: string) => ({ head: { 'twitter:card': `<meta name="twitter:card" content="${kind}">` } })

describeCheck('card-unknown', {
  raises: {
    'a word of one’s own': { ...card('large'), expect: { level: 'error', line: 17, column: 1 } },
    'a known kind with something added': card('summary_large_images'),
    'a kind that is no longer known': card('photo'),
  },
  passes: {
    summary: card('summary'),
    player: card('player'),
    app: card('app'),
    'in capitals and with spaces': card(' SUMMARY_LARGE_IMAGE '),
    empty: card(''),
  },
})
