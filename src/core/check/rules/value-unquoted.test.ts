import { describeCheck } from '../../testing/describe-check'

describeCheck('value-unquoted', {
  raises: {
    'a title of several words': {
      head: { 'og:title': '<meta property="og:title" content=Ferns of the garden>' },
      expect: {
        level: 'warning',
        line: 10,
        message: 'og:title has no quotes around its value and ends at the first space: “Ferns”.',
        fix: 'Put quotes around the whole value on line 10: “Ferns of the garden”.',
      },
    },
    'with another attribute behind it': {
      head: { 'og:title': '<meta property="og:title" content=Ferns of the garden data-x="1">' },
    },
  },
  passes: {
    'one word': { head: { 'og:type': '<meta property=og:type content=website>' } },
    'an attribute with a value behind it': {
      head: { 'og:type': '<meta property=og:type content=website data-rh="true">' },
    },
    'a value without quotes before the name': { head: { 'og:type': '<meta content=website property=og:type>' } },
    'a tag that no place reads': { head: { more: '<meta name="weather" content=fine and dry>' } },
    'quotes of either kind': { head: { 'og:type': "<meta property='og:type' content='website'>" } },
  },
})
