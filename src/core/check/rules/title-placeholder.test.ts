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
    'an object': { head: { 'twitter:title': '<meta name="twitter:title" content="About [object Object]">' } },
  },
  passes: {
    'a title that mentions home': { head: { title: '<title>Home repairs | Good Site</title>' } },
    'undefined within a sentence': { head: { title: '<title>What undefined means | Good Site</title>' } },
    'a percentage': { head: { title: '<title>50% of ferns, 20% of mosses | Good Site</title>' } },
    'a post that is called Welcome': { head: { title: '<title>Welcome | Good Site</title>' } },
    'Home on the home page': {
      files: { 'index.html': goodPage('', 'Roses', { title: '<title>Home | Good Site</title>' }) },
    },
  },
})
