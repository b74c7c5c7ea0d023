import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

const jsonLd = (text: string) => `<script type="application/ld+json">${text}</script>`
const home = (text: string) => ({ 'index.html': goodPage('', 'Roses', {}, `<h1>Roses</h1>${jsonLd(text)}`) })

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
    'JSON-LD calls the site otherwise': {
      files: home('{"@graph":[{"@type":"WebPage"},{"@type":"Organization","name":"The Fern Company"}]}'),
      expect: { message: 'JSON-LD calls the site “The Fern Company”, og:site_name calls it “Good Site”.' },
    },
    'the publisher of an article is another': {
      files: home(
        '{"@type":"NewsArticle","headline":"F","author":{"@type":"Person","name":"A"},"datePublished":"2026-01-01","publisher":{"@type":"NewsMediaOrganization","name":"Fern Press"}}',
      ),
      expect: { message: 'JSON-LD calls the site “Fern Press”, og:site_name calls it “Good Site”.' },
    },
    'the requirements call it otherwise': { head: {}, requirements: { identity: { name: 'The Garden' } } },
  },
  passes: {
    'the same name, in another case': { head: {}, requirements: { identity: { name: 'good site' } } },
    'JSON-LD names the site, and an organization behind it': {
      files: home('[{"@type":"WebSite","name":"Good site"},{"@type":"Organization","name":"Fern Holding"}]'),
    },
    'an author, a product and a place have names of their own': {
      files: home(
        '[{"@type":"WebPage","author":{"@type":"Person","name":"Ada"}},{"@type":"Event","name":"Fair","location":{"@type":"Place","name":"Hall"}}]',
      ),
    },
    'one page is about an organization': {
      head: {},
      body: `<h1>Ferns</h1>${jsonLd('{"@type":"LocalBusiness","name":"Fern Shop","address":"Mill Lane 1"}')}`,
    },
    'one title of three': { head: { title: '<title>Ferns of this | The Garden</title>' } },
  },
})
