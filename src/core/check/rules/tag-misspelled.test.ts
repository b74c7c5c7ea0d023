import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-misspelled', {
  raises: {
    'a letter left out': { head: { 'og:desciption': '<meta property="og:desciption" content="Ferns">' } },
    'a full stop': { head: { x: '<meta property="og.title" content="Ferns">' } },
    'something added': { head: { 'twitter:cards': '<meta name="twitter:cards" content="summary">' } },
    'two letters changed places': { head: { descritpion: '<meta name="descritpion" content="x">' } },
  },
  passes: {
    'a tag that places don’t read': { head: { viewport: '<meta name="viewport" content="width=device-width">' } },
    'one of another vocabulary': { head: { 'og:ttl': '<meta property="og:ttl" content="3600">' } },
    'a short word that is near': { head: { rating: '<meta name="rating" content="general">' } },
    'a price': { head: { 'og:price:amount': '<meta property="og:price:amount" content="3">' } },
  },
})
