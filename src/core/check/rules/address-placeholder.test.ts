import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('address-placeholder', {
  raises: {
    'a new page': { files: { 'new-page-3.html': goodPage('new-page-3.html', 'Ferns') } },
    'a copy': { files: { 'copy-of-about.html': goodPage('copy-of-about.html', 'Ferns') } },
  },
  passes: {
    'a page about pages': { files: { 'a-new-page-in-history.html': goodPage('a-new-page-in-history.html', 'Ferns') } },
    'hard copy': { files: { 'hard-copy-of-it/x.html': goodPage('hard-copy-of-it/x.html', 'Ferns') } },
  },
})
