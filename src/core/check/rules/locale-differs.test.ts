import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('locale-differs', {
  raises: {
    'another language': { head: { 'og:locale': '<meta property="og:locale" content="de_DE">' } },
    'a hyphen': { head: { 'og:locale': '<meta property="og:locale" content="en-GB">' } },
    'a language alone': {
      head: { 'og:locale': '<meta property="og:locale" content="fr">' },
      expect: { fix: 'Write fr_FR; line 18.' },
    },
    'no language at all: that of the page is proposed': {
      head: { 'og:locale': '<meta property="og:locale" content="??">' },
      expect: { fix: 'Write en_US; line 18.' },
    },
  },
  passes: {
    'the same': { head: { 'og:locale': '<meta property="og:locale" content="en_US">' } },
    'with a script': {
      files: {
        'about.html': goodPage('about.html', 'Ferns', {
          l: '<meta property="og:locale" content="zh_Hant_TW">',
        }).replace('lang="en"', 'lang="zh-Hant"'),
      },
    },
  },
})
