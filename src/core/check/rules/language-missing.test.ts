import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('language-missing', {
  raises: {
    none: { files: { 'about.html': goodPage('about.html', 'Ferns').replace(' lang="en"', '') } },
    'an empty one': { files: { 'about.html': goodPage('about.html', 'Ferns').replace('lang="en"', 'lang=""') } },
  },
  passes: {
    'another language': {
      files: { 'about.html': goodPage('about.html', 'Ferns').replace('lang="en"', 'lang="de-CH"') },
    },
  },
})
