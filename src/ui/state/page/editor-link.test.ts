import { describe, expect, test } from 'vitest'
import { editorHref, patternFault } from './editor-link'

const place = { file: 'guides/a lamp#1.html', line: 12, column: 3 }

describe('opening a place in an editor', () => {
  test('the pattern is filled in, the path encoded', () => {
    expect(editorHref('editor://open/work/dist/{file}?line={line}&column={column}', place)).toBe(
      'editor://open/work/dist/guides/a%20lamp%231.html?line=12&column=3',
    )
  })

  test.each([
    ['', null],
    ['editor://{file}', null],
    ['javascript:alert({file})', /scheme/],
    [' JavaScript:{file}', /scheme/],
    ['data:text/html,{file}', /scheme/],
    ['{file}', /scheme/],
    ['editor://open', /\{file\}/],
  ])('%s', (pattern, fault) => {
    if (fault === null) expect(patternFault(pattern)).toBeNull()
    else {
      expect(patternFault(pattern)).toMatch(fault)
      expect(editorHref(pattern, place)).toBeNull()
    }
  })
})
