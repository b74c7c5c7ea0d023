import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../../testing/property-runs'
import { HTML_NS, OPENS_TEXT, OpenElements, SVG_NS, TEXT_SHIFT } from './open-elements'
import * as T from './tag-table'

const SCOPES = ['applet', 'caption', 'html', 'table', 'td', 'th', 'marquee', 'object', 'template']
const TAGS = [T.DIV, T.P, T.LI, T.UL, T.OL, T.BUTTON, T.TABLE, T.TD, T.OBJECT, T.TEMPLATE, T.B, T.H2]
const nameOf = (tag: number) => T.NAMES[tag]!

/** The standard's own way to answer: down the stack, element by element, to the target or a boundary. */
function walk(stack: number[], target: number, boundaries: string[]): boolean {
  for (const tag of [...stack].reverse()) {
    if (tag === target) return true
    if (boundaries.includes(nameOf(tag))) return false
  }
  return false
}

const step = fc.oneof(
  fc.constantFrom(...TAGS).map((tag) => ({ push: tag })),
  fc.constant({ pop: true as const }),
)

describe('the stack of open elements', () => {
  test('answers what walking down the stack answers', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        const open = new OpenElements(() => undefined)
        const stack = [T.HTML, T.BODY]
        for (const tag of stack) open.push(tag, HTML_NS, 0)
        for (const one of steps) {
          if ('push' in one) {
            open.push(one.push, HTML_NS, 0)
            stack.push(one.push)
          } else if (stack.length > 2) {
            open.pop()
            stack.pop()
          }
          for (const tag of [T.P, T.LI, T.DIV, T.TABLE, T.BUTTON]) {
            expect(open.inScope(tag)).toBe(walk(stack, tag, SCOPES))
            expect(open.inButtonScope(tag)).toBe(walk(stack, tag, [...SCOPES, 'button']))
            expect(open.inListScope(tag)).toBe(walk(stack, tag, [...SCOPES, 'ol', 'ul']))
            expect(open.inTableScope(tag)).toBe(walk(stack, tag, ['html', 'table', 'template']))
            expect(open.nearest(tag)).toBe(stack.lastIndexOf(tag))
          }
        }
      }),
      runs(400),
    )
  })

  test('an element that leaves from the middle matches nothing, and bounds nothing', () => {
    const open = new OpenElements(() => undefined)
    for (const tag of [T.HTML, T.BODY, T.LI, T.FORM, T.DIV]) open.push(tag, HTML_NS, 0)
    expect(open.listStop).toBe(3)
    open.removeAt(3)
    expect([open.has(T.FORM), open.listStop, open.isTop(T.DIV)]).toEqual([false, 2, true])
    open.pop()
    expect(open.isTop(T.LI)).toBe(true)
  })

  test('a foreign element of the same name is another element', () => {
    const open = new OpenElements(() => undefined)
    for (const tag of [T.HTML, T.BODY]) open.push(tag, HTML_NS, 0)
    open.push(T.P, SVG_NS, 0)
    expect([open.has(T.P), open.nearestForeign(T.P)]).toEqual([false, 2])
    open.push(T.DIV, HTML_NS, 0)
    // An HTML element above it hides it from an end tag of foreign content.
    expect(open.nearestForeign(T.P)).toBe(-1)
  })

  test('implied end tags stop at the one that is excepted', () => {
    const open = new OpenElements(() => undefined)
    for (const tag of [T.HTML, T.BODY, T.P, T.LI, T.OPTION]) open.push(tag, HTML_NS, 0)
    open.generateImpliedEnds(T.LI)
    expect(open.isTop(T.LI)).toBe(true)
    open.generateImpliedEnds()
    expect(open.isTop(T.BODY)).toBe(true)
  })

  test('says when an element is closed whose text is gathered, each once, the inner first', () => {
    const closed: number[] = []
    const open = new OpenElements((number) => closed.push(number))
    open.push(T.HTML, HTML_NS, 0)
    open.push(T.H1, HTML_NS, OPENS_TEXT | (1 << TEXT_SHIFT))
    open.push(T.P, HTML_NS, OPENS_TEXT | (2 << TEXT_SHIFT))
    open.popThrough(1)
    open.popThrough(0)
    expect(closed).toEqual([2, 1])
  })
})
