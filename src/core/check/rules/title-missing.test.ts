import { describeCheck } from '../../testing/describe-check'

describeCheck('title-missing', {
  raises: {
    'no title': { head: { title: null }, expect: { level: 'error', line: null } },
    'an empty one': { head: { title: '<title></title>' }, expect: { line: 5, column: 1 } },
    'white space only': { head: { title: '<title>&nbsp; </title>' } },
    'the title of a drawing is not the page’s': { head: { title: null }, body: '<svg><title>x</title></svg>' },
  },
  passes: {
    'one letter': { head: { title: '<title>F</title>' } },
    'in the body by mistake': { head: { title: null }, body: '<title>Ferns in the body</title>' },
  },
})
