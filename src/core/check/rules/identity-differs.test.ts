import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('identity-differs', {
  raises: {
    'titles call the site otherwise': {
      files: Object.fromEntries(
        ['index.html', 'about.html', 'visit.html'].map((file, index) => [
          file,
          goodPage(file === 'index.html' ? '' : file, ['Roses', 'Ferns', 'Mosses'][index]!, {
            title: `<title>Page ${index} of this | The Garden</title>`,
          }),
        ]),
      ),
      expect: { message: 'Titles call the site “The Garden”, og:site_name calls it “Good Site”.' },
    },
    'the requirements call it otherwise': { head: {}, requirements: { identity: { name: 'The Garden' } } },
  },
  passes: {
    'the same name, in another case': { head: {}, requirements: { identity: { name: 'good site' } } },
    'one title of three': { head: { title: '<title>Ferns of this | The Garden</title>' } },
  },
})
