import { expect } from 'vitest'
import { describeCheck } from '../../testing/describe-check'

describeCheck('required-field-missing', {
  raises: {
    'a field of the section': {
      head: {},
      requirements: { sections: { '/about.html': { requires: ['author'] } } },
      expect: { level: 'error', message: 'The requirements ask for author here, and the page has none.' },
    },
    'a field of the kind': { head: {}, requirements: { kinds: { website: { requires: ['price'] } } } },
    'a picture that another page has too': {
      head: { 'og:image': '<meta property="og:image" content="https://site.example/img/Roses.png">' },
      requirements: { sections: { '/about.html': { requires: ['own-picture'] } } },
      expect: { message: expect.stringMatching(/shared with other pages/) },
    },
  },
  passes: {
    'what is there': {
      head: {},
      requirements: {
        kinds: {
          website: {
            requires: ['title', 'description', 'picture', 'own-picture', 'picture-alt', 'type', 'address', 'card'],
          },
        },
      },
    },
    'an author in JSON-LD': {
      head: {
        ld: '<script type="application/ld+json">{"@type":"Article","headline":"x","author":{"@type":"Person","name":"Ada"},"datePublished":"2026-11-02"}</script>',
      },
      requirements: { sections: { '/about.html': { requires: ['author', 'date'] } } },
    },
    'another section': { head: {}, requirements: { sections: { '/guides/*': { requires: ['author'] } } } },
  },
})
