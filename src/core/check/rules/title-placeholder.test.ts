import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('title-placeholder', {
  raises: {
    'a starter’s title': { head: { title: '<title>Untitled</title>' }, expect: { level: 'error', line: 5 } },
    'beside the site’s name': { head: { title: '<title>Home | Good Site</title>' } },
    'after the site’s name': { head: { title: '<title>Good Site – New page 3</title>' } },
    'in og:title': { head: { 'og:title': '<meta property="og:title" content="Page title">' }, expect: { line: 10 } },
    'an unresolved variable': { head: { title: '<title>{{ page.title }} | Good Site</title>' } },
    'undefined as the whole own part': { head: { title: '<title>undefined | Good Site</title>' } },
    'a site that is still called as its starter is': {
      head: { 'og:site_name': '<meta property="og:site_name" content="My Site">' },
    },
    'a starter’s pair of names': { head: { title: '<title>Vite + Svelte + TS</title>' } },
    'nothing that says what it is: a note': {
      files: {
        'x.html': goodPage('x.html', 'Ferns', { title: '<title>Document</title>', 'og:title': null }).replace(
          /<h1>.*?<\/h1>/,
          '',
        ),
      },
      expect: { level: 'note' },
    },
    'a starter’s word on several pages that differ': {
      files: Object.fromEntries(
        ['x', 'y', 'z'].map((name) => [
          `${name}.html`,
          goodPage(`${name}.html`, 'Ferns', { title: '<title>Document</title>', 'og:title': null })
            .replace(/<h1>.*?<\/h1>/, '')
            .replace('<p>', `<p>About ${name}, and what grows beside it. `),
        ]),
      ),
      expect: { level: 'error', message: 'title: “Document” on 3 different pages, as in a template.' },
    },
    'an unfilled sign': { head: { title: '<title>%s | Good Site</title>' } },
    'a numbered page, whatever its heading repeats': {
      files: {
        'new-page-3.html': goodPage('new-page-3.html', 'Ferns', { title: '<title>New page 3</title>' }).replace(
          /<h1>.*?<\/h1>/,
          '<h1>New page 3</h1>',
        ),
      },
    },
    'an object': { head: { 'twitter:title': '<meta name="twitter:title" content="About [object Object]">' } },
  },
  passes: {
    ...Object.fromEntries(
      [
        ['Index — Good Site', 'Index', 'genindex.html'],
        ['Hello World - Good Site', 'Hello World', 'hello.html'],
        ['Page', 'Page', 'element-page.html'],
        ['Document | Good Site', 'The Document element', 'x.html'],
        ['Description', 'Description of the command', 'ls-1.html'],
        ['Test | Good Site', 'Something else', 'test.html'],
        ['Index', '', 'stichwort-index.html'],
      ].map(([title, h1, file]) => [
        `${title} with the heading “${h1}” at ${file}`,
        {
          files: {
            [file!]: goodPage(file!, 'Ferns', {
              title: `<title>${title}</title>`,
              'og:title': null,
            }).replace(/<h1>.*?<\/h1>/, h1 === '' ? '' : `<h1>${h1}</h1>`),
          },
        },
      ]),
    ),
    'a title that mentions home': { head: { title: '<title>Home repairs | Good Site</title>' } },
    'undefined within a sentence': { head: { title: '<title>What undefined means | Good Site</title>' } },
    'a percentage': { head: { title: '<title>50% of ferns, 20% of mosses | Good Site</title>' } },
    'a post that is called Welcome': { head: { title: '<title>Welcome | Good Site</title>' } },
    'Home on the home page': {
      files: { 'index.html': goodPage('', 'Roses', { title: '<title>Home | Good Site</title>' }) },
    },
  },
})
