import { describeCheck } from '../../testing/describe-check'

describeCheck('text-garbled', {
  raises: {
    'a lost character': { head: { 'og:title': '<meta property="og:title" content="Caf� in the garden">' } },
    'an umlaut': { head: { 'og:title': '<meta property="og:title" content="GÃ¤rten und GemÃ¼se">' } },
    'an apostrophe': { head: { 'og:title': '<meta property="og:title" content="The gardenâ€™s own ferns">' } },
  },
  passes: {
    'a real umlaut': { head: { 'og:title': '<meta property="og:title" content="Gärten und Gemüse">' } },
    'a name with a tilde': { head: { 'og:title': '<meta property="og:title" content="SÃO PAULO and its gardens">' } },
  },
})
