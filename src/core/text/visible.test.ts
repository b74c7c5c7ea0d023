import { Terminal } from '@xterm/headless'
import fc from 'fast-check'
import MarkdownIt from 'markdown-it'
import { describe, expect, test } from 'vitest'
import { escapeMarkdown } from '../report'
import { runs } from '../testing/property-runs'
import { escapeText } from './escape-html'
import { escapeXml } from './escape-xml'
import { neutralCell } from './neutral-cell'
import { printableJson, terminalText, visible } from './visible'

const ESC = '\u001b'
/** Values as somebody would write them who wants more than to be read. */
const piece = fc.constantFrom(
  ...['a', 'Lamp', ' ', '\t', '\n', '\r\n', '\u0007', '\b', '\u007f', '\0', ESC, `${ESC}[2J`, `${ESC}[31m`],
  ...[`${ESC}]0;title\u0007`, `${ESC}]8;;https://evil.example/${ESC}\\`, `${ESC}P`, '\u009b2J', '\u009d0;x\u009c'],
  ...['\u202e', '\u2066', '\u200e', '\u061c', '\u2028', '\u2029', '\ufeff', '\ud800', '\u{e0041}', '\u200b'],
  ...['::error file=x::', '##[error]', '##vso[task.setvariable]', '::', '#', '# ', '- ', '1. ', '> ', '```', '~~~'],
  ...['[x](javascript:alert(1))', '![x](y)', '<script>', '</p>', '&lt;', '&#60;', '@you', '**', '__', '`', '|', '\\'],
  ...['---', '===', '+ ', '=', '-', '+', '@', '"', "'", 'http://a.example/', '<http://a.example>', 'é', '電球'],
)
const value = fc.array(piece, { maxLength: 8 }).map((pieces) => pieces.join(''))

/** Signs of a text that a terminal obeys: those below space, C1 and DEL, and what turns the reading direction. */
const obeyed = (text: string) =>
  [...text].filter((sign) => {
    const code = sign.codePointAt(0)!
    return code < 0x20 || (code >= 0x7f && code < 0xa0) || (code >= 0x202a && code <= 0x202e)
  })

describe('a terminal', () => {
  test('shows what it is given as one line of text, and does nothing else', async () => {
    const shown = async (text: string) => {
      const terminal = new Terminal({ cols: 2000, rows: 4, allowProposedApi: true })
      const done: string[] = []
      terminal.onTitleChange(() => done.push('title'))
      terminal.onBell(() => done.push('bell'))
      await new Promise<void>((resolve) => terminal.write(text, resolve))
      const { cursorY } = terminal.buffer.active
      const line = terminal.buffer.active.getLine(0)!.translateToString(true)
      const isPlain = [...Array(20).keys()].every((at) => terminal.buffer.active.getLine(0)!.getCell(at)!.isFgDefault())
      terminal.dispose()
      return { line, done, cursorY, isPlain }
    }
    await fc.assert(
      fc.asyncProperty(value, async (text) => {
        const said = terminalText(text)
        const { line, done, cursorY, isPlain } = await shown(`x${said}x`)
        expect({ done, cursorY, isPlain }).toEqual({ done: [], cursorY: 0, isPlain: true })
        expect(line.replaceAll('\u200b', '')).toBe(`x${said}x`.replaceAll('\u200b', ''))
      }),
      runs(300),
    )
  })

  test('nothing in it is an order to the runner of a build', () => {
    fc.assert(
      fc.property(value, (text) => {
        expect(terminalText(text)).not.toMatch(/::[a-z]|##[a-z]*\[|[\r\n]/i)
      }),
      runs(2000),
    )
  })

  test.each([
    ['Rewire a lamp', 'Rewire a lamp'],
    ['家族の👩‍👧', '家族の👩‍👧'],
    ['a\nb', 'a␊b'],
    [`${ESC}[2J`, '␛[2J'],
    ['\u202egnp.exe', '⟨U+202E⟩gnp.exe'],
    ['\ud800', '⟨U+D800⟩'],
  ])('%j is shown as %s', (text, expected) => {
    expect(visible(text)).toBe(expected)
  })
})

describe('Markdown', () => {
  const markdown = new MarkdownIt({ html: true, linkify: false })

  test.each([
    ['a quoted line', (text: string) => `> **${text}**`],
    ['an item', (text: string) => `- ${text}`],
    ['a line of its own', (text: string) => text],
  ])('in %s a value is its text, and nothing else', (_where, line) => {
    const inline = new Set(['text', 'strong_open', 'strong_close', 'text_special'])
    const blocks = new Set(['paragraph_open', 'paragraph_close', 'blockquote_open', 'blockquote_close', 'inline'])
    for (const one of ['bullet_list_open', 'bullet_list_close', 'list_item_open', 'list_item_close']) blocks.add(one)
    fc.assert(
      fc.property(value, (text) => {
        const escaped = escapeMarkdown(text)
        const tokens = markdown.parse(line(escaped === '' ? 'x' : escaped), {})
        expect(tokens.filter(({ type }) => !blocks.has(type))).toEqual([])
        const inner = tokens.flatMap(({ children }) => children ?? [])
        expect(inner.filter(({ type }) => !inline.has(type))).toEqual([])
        const read = inner.map(({ content }) => content).join('')
        if (escaped !== '')
          expect(read.replaceAll('\u200b', '')).toBe(visible(text.replace(/\s+/g, ' ').trim()).replaceAll('\u200b', ''))
      }),
      runs(1500),
    )
  })
})

test('a cell is one line, and no formula', () => {
  fc.assert(
    fc.property(value, (text) => {
      expect(neutralCell(text)).not.toMatch(/^[=+\-@\t\r]/)
      expect(obeyed(neutralCell(text))).toEqual([])
    }),
    runs(1000),
  )
})

test('XML and HTML hold the text, and no tag of its own', () => {
  fc.assert(
    fc.property(value, (text) => {
      for (const escaped of [escapeXml(text), escapeText(visible(text))]) {
        expect(escaped).not.toMatch(/[<>]|&(?!amp;|lt;|gt;|quot;)/)
        expect(obeyed(escaped)).toEqual([])
      }
    }),
    runs(1000),
  )
})

test('JSON that is printed reads as it was, and holds nothing that a terminal obeys', () => {
  fc.assert(
    fc.property(value, (text) => {
      const printed = printableJson({ text }, 2)
      expect(JSON.parse(printed)).toEqual(JSON.parse(JSON.stringify({ text })))
      expect(obeyed(printed.replaceAll('\n', ''))).toEqual([])
    }),
    runs(1000),
  )
})
