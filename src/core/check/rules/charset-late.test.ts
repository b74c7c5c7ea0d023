import { describeCheck } from '../../testing/describe-check'

describeCheck('charset-late', {
  raises: {
    'after a long comment': {
      head: { charset: `<!-- ${'x'.repeat(1100)} --><meta charset="utf-8">` },
      expect: { level: 'note' },
    },
    'none at all': { head: { charset: null } },
  },
  passes: {
    'the old form': { head: { charset: '<meta http-equiv="content-type" content="text/html; charset=utf-8">' } },
  },
})
