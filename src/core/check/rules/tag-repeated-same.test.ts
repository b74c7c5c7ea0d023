import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-repeated-same', {
  raises: {
    'the same twice': {
      head: { again: '<meta property="og:title" content="Ferns of the garden">' },
      expect: { level: 'note', line: 18 },
    },
    'one picture named twice': {
      head: { again: '<meta property="og:image" content="https://site.example/img/Ferns.png">' },
      expect: { message: 'og:image stands twice with the same value, on lines 13, 18.' },
    },
    'one canonical link written twice': {
      head: { again: '<link rel="canonical" href="https://site.example/about.html">' },
    },
  },
  passes: {
    'a picture and its secure address': {
      head: { again: '<meta property="og:image:secure_url" content="https://site.example/img/Ferns.png">' },
    },
    'other values are another finding': { head: { again: '<meta property="og:title" content="x">' } },
    'one tag under two attributes': {
      head: {
        description:
          '<meta name="description" property="description" content="Ferns: one sentence that says what this page is about, and why.">',
      },
    },
  },
})
