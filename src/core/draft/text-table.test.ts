import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fitText } from '../testing/fit-text'
import { runs } from '../testing/property-runs'
import { readTextTable, type TextRow, writeTextTable } from './text-table'

const SITE = 'https://site.example/'
const row = (path: string, title: string, description: string): TextRow => ({ url: SITE + path, title, description })
const built = new Map([row('', 'Home', 'D'), row('lamp', 'Lamp', 'Of lamps')].map((one) => [one.url, one]))
const read = (text: string, drafted = new Map<string, Partial<TextRow>>()) => readTextTable(text, SITE, built, drafted)

describe('a table of texts', () => {
  test('is CSV with a header, or tabs for the clipboard; formulas are neutralised', () => {
    expect(writeTextTable([row('a', '=1+1', 'x, "y"')])).toBe(
      'address,title,description\r\nhttps://site.example/a,\'=1+1,"x, ""y"""\r\n',
    )
    expect(writeTextTable([row('a', 'T', 'D')], '\t')).toBe(
      'address\ttitle\tdescription\r\nhttps://site.example/a\tT\tD\r\n',
    )
  })

  test('comes back by address, paths too, with or without a header', () => {
    expect(read('address,description\n/lamp,Better\n').changes).toEqual([
      { url: `${SITE}lamp`, field: 'description', before: 'Of lamps', after: 'Better', conflict: null },
    ])
    expect(read('/lamp\tNew lamp\tOf lamps').changes).toEqual([
      { url: `${SITE}lamp`, field: 'title', before: 'Lamp', after: 'New lamp', conflict: null },
    ])
    expect(read('/,Start,D').changes).toMatchObject([{ url: SITE, field: 'title' }])
  })

  test('an empty cell changes nothing; what names no page and what stands twice is told', () => {
    const reading = read('address,title,description\n/lamp,,\n/nowhere,X,Y\n/lamp,Z,\n')
    expect(reading.changes).toEqual([])
    expect(reading.unknown).toEqual(['/nowhere'])
    expect(reading.faults).toEqual(['/lamp stands in the table twice: its first row counts.'])
  })

  test('a draft that says a third thing is a conflict', () => {
    const drafted = new Map([[`${SITE}lamp`, { title: 'Drafted' }]])
    expect(read('/lamp,From table,Of lamps', drafted).changes).toMatchObject([
      { conflict: 'Drafted', before: 'Drafted' },
    ])
    expect(read('/lamp,Drafted,Of lamps', drafted).changes).toEqual([])
  })

  test.each(["'+", "''=1", "'-", "'quoted'", "'", '=', '@home'])('%s comes back as it was', (title) => {
    const table = writeTextTable([row('lamp', title, 'Of lamps')])
    expect(table.split('\r\n')[1]).toMatch(/^[^,]*,(?![=+\-@])/)
    expect(read(table).changes).toMatchObject([{ field: 'title', after: title }])
  })

  test('what no page can carry is left out and told, and the rest of its row is read', () => {
    const reading = read('address,title,description\n/lamp,Lam\0p,Better\n/,Ho\uD83Dme,\n')
    expect(reading.changes.map(({ field, after }) => [field, after])).toEqual([['description', 'Better']])
    expect(reading.faults).toEqual([
      'The title of /lamp holds a NUL character, which no page can carry: it is left out. Type it again.',
      'The title of / holds half of a character (a lone surrogate), which no page can carry: it is left out. Type it again.',
    ])
  })

  test('what is written is what is read, for any text', () => {
    const text = fc
      .string({ unit: 'grapheme', minLength: 1 })
      .map((value) => fitText(value).trim())
      .filter((value) => value !== '')
    fc.assert(
      fc.property(text, text, fc.constantFrom(',' as const, '\t' as const), (title, description, delimiter) => {
        const { changes, faults } = read(writeTextTable([row('lamp', title, description)], delimiter))
        expect(faults).toEqual([])
        const after = {
          title: 'Lamp',
          description: 'Of lamps',
          ...Object.fromEntries(changes.map(({ field, after }) => [field, after])),
        }
        expect(after).toEqual({ title, description })
      }),
      runs(300),
    )
  })
})
