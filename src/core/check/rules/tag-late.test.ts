import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-late', {
  raises: {
    'after 33 KiB of style': {
      head: { charset: `<meta charset="utf-8"><style>${'x'.repeat(33_000)}</style>` },
      expect: { level: 'warning' },
    },
  },
  passes: {
    'the tags first': { head: { x: `<style>${'x'.repeat(33_000)}</style>` } },
  },
})
