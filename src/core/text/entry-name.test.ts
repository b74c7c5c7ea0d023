import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ensureEntryNames, entryNameFault, fileOfPath, fittingPath } from './entry-name'

describe('names of files that are written or packed', () => {
  test.each(['a.png', 'img/a.png', 'guides/über/日本語.html', 'a..b/..c', 'con-sole/x', `${'x'.repeat(251)}.png`])(
    '%s is one',
    (path) => expect(entryNameFault(path)).toBeNull(),
  )

  test.each([
    '',
    '/etc/x',
    'a//b',
    'a/',
    '.',
    '..',
    '../.bashrc',
    'a/../../b',
    'a\\b',
    'c:\\x',
    'c:x',
    'a\0b',
    'a\nb',
    'a\u2028b',
    'NUL',
    '.git/hooks/x',
    'img/com1.png',
    'x'.repeat(256),
    'ü'.repeat(128),
    '\ud800',
  ])('%j is none', (path) => {
    expect(entryNameFault(path)).not.toBeNull()
    expect(() => ensureEntryNames([path])).toThrow('can’t be packed')
  })

  test.each(['%2e%2e%2f.bashrc', '%2Fetc%2Fx', '..%5c..%5cx', 'c%3A%5cx', 'a/%2e%2e/b', '%2e%2e', 'a%00b', 'img/%'])(
    'of a URL: %s',
    (path) => {
      const { path: file, fault } = fileOfPath(path)
      expect(path === 'img/%' ? file : fault).not.toBeNull()
    },
  )

  test.each(['aa%3ab', 'a%3Fb', 'a./b', 'a%20/b'])('a new name is one that every system has: not %s', (path) => {
    expect(fileOfPath(path).fault).toContain('is no name on some systems')
    expect(entryNameFault(decodeURIComponent(path))).toBeNull()
  })

  test('any text becomes a path that fits', () => {
    expect(fittingPath('../a:b/NUL')).toBe('a_b/_NUL')
    fc.assert(fc.property(fc.string({ unit: 'binary' }), (text) => entryNameFault(fittingPath(text)) === null))
  })

  test('whatever a URL says, the file lies below the folder', () => {
    const piece = fc.constantFrom('..', '.', '%2e', '%2f', '%5c', '/', '\\', 'a', ':', '%00', '%', ' ')
    fc.assert(
      fc.property(fc.array(piece), (pieces) => {
        const { path } = fileOfPath(pieces.join(''))
        if (path === null) return
        expect(path.split('/').every((one) => one !== '' && one !== '..' && one !== '.')).toBe(true)
        expect(path).not.toMatch(/[\\:\0]/)
      }),
    )
  })
})
