import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

/** Pages of one section whose titles end so. */
const section = (...ends: string[]) =>
  Object.fromEntries(
    ends.map((end, index) => [
      `g/${index}.html`,
      goodPage(`g/${index}.html`, 'Ferns', { title: `<title>${index} of g${end}</title>` }),
    ]),
  )

describeCheck('title-pattern-varies', {
  raises: {
    'another separator than the others': {
      files: section(' | Good Site', ' | Good Site', ' | Good Site', ' – Good Site'),
      expect: {
        message: 'Titles of /g/* (1) are not built like the others, which end or begin as in “0 of g | Good Site”.',
      },
    },
    'the name before and behind': {
      files: {
        'g/0.html': goodPage('g/0.html', 'Ferns', { title: '<title>Good Site: ferns | Good Site</title>' }),
        'g/1.html': goodPage('g/1.html', 'Ferns', { title: '<title>Mosses | Good Site</title>' }),
      },
    },
    'the site’s name twice': { files: section(' | Good Site', ' | Good Site | Good Site') },
  },
  passes: {
    'a page that is about the site, beside its name': {
      files: {
        ...section(' | Good Site', ' | Good Site', ' | Good Site'),
        'g/9.html': goodPage('g/9.html', 'Ferns', { title: '<title>About the Good Site crew | Good Site</title>' }),
      },
    },
    'all alike': { files: section(' | Good Site', ' | Good Site', ' | Good Site', ' | Good Site') },
    'too few for a habit': { files: section(' | Good Site', ' – Good Site') },
    'titles without the site’s name': { files: section(' | Good Site', ' | Good Site', ' | Good Site', '') },
  },
})
