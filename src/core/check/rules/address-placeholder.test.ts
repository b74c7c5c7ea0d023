import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('address-placeholder', {
  raises: {
    'a new page': { files: { 'new-page-3.html': goodPage('new-page-3.html', 'Ferns') } },
    'a copy beside its original': { files: { 'copy-of-about.html': goodPage('copy-of-about.html', 'Ferns') } },
    'a numbered copy': { files: { 'about-copy-2.html': goodPage('about-copy-2.html', 'Ferns') } },
  },
  passes: {
    'a page about pages': { files: { 'a-new-page-in-history.html': goodPage('a-new-page-in-history.html', 'Ferns') } },
    'a page about copying, beside one about something else': {
      files: { 'about-copy.html': goodPage('about-copy.html', 'How to copy a fern') },
    },
    'a copy of nothing that is there': { files: { 'edit-copy.html': goodPage('edit-copy.html', 'Ferns') } },
    'hard copy': { files: { 'hard-copy-of-it/x.html': goodPage('hard-copy-of-it/x.html', 'Ferns') } },
  },
})
