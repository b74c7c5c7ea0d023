import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-from-script', {
  raises: {
    'an empty shell': {
      files: {
        'about.html':
          '<!doctype html><html lang=en><head><meta charset=utf-8><title>App</title></head><body><div id=app></div><script src=/app.js></script></body></html>',
      },
      expect: { level: 'warning' },
    },
  },
  passes: {
    'a shell with its tags': { head: {}, body: '<div></div><script src="/app.js"></script>' },
    'text without tags': {
      files: {
        'about.html':
          '<!doctype html><html lang=en><head><meta charset=utf-8><title>App</title></head><body><p>There is something to read here, after all.</p><script src=/app.js></script></body></html>',
      },
    },
  },
})
