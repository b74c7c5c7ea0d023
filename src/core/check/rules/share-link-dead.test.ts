import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

const button = (query: string) =>
  `<h1>Ferns</h1><p>The first paragraph of Ferns is long enough to be one.</p><a href="https://places.example/share?${query}">Share</a>`
const shares = (address: string, text = '') =>
  button(`url=${encodeURIComponent(address)}${text && `&text=${encodeURIComponent(text)}`}`)

describeCheck('share-link-dead', {
  raises: {
    'a page that is not there': {
      head: {},
      body: shares('https://site.example/abuot.html'),
      expect: { message: 'A share link shares https://site.example/abuot.html, which is not there.' },
    },
    'a page without a card': {
      files: {
        'about.html': goodPage('about.html', 'Ferns', {}, shares('https://site.example/visit.html')),
        'visit.html': goodPage('visit.html', 'Mosses', { 'og:title': null, 'og:image': null }),
      },
    },
    'a text that a template left': {
      head: {},
      body: shares('https://site.example/about.html', '{{ page.title }}'),
      expect: { message: 'A share link is prefilled with “{{ page.title }}”, as the template has it.' },
    },
  },
  passes: {
    'this page, with its title': { head: {}, body: shares('https://site.example/about.html', 'Ferns of the garden') },
    'another site': { head: {}, body: shares('https://other.example/none') },
    'the address alone in the text': {
      head: {},
      body: button(`text=${encodeURIComponent('https://site.example/about.html')}`),
    },
  },
})
