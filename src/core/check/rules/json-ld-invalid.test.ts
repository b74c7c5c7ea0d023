import { describeCheck } from '../../testing/describe-check'

describeCheck('json-ld-invalid', {
  raises: {
    'a comma too many': {
      head: { j: '<script type="application/ld+json">{\n"a": 1,\n}</script>' },
      expect: { level: 'warning', line: 20 },
    },
    'nothing in it': { head: { j: '<script type="application/ld+json"></script>' } },
  },
  passes: {
    valid: { head: { j: '<script type="application/ld+json">{"@type": "Thing"}</script>' } },
    'a script of another type': { head: { j: '<script type="application/json">{,}</script>' } },
  },
})
