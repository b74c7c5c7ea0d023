import { describe, expect, test } from 'vitest'
import { addToName, codeOf, knownTag, OtherNames } from './tag-names'
import * as T from './tag-table'

function tagOf(name: string): number {
  let packed = 0
  for (let index = 0; index < name.length; index++) packed = addToName(packed, codeOf(name.charCodeAt(index)))
  return knownTag(`<${name}>`, 1, 1 + name.length, packed)
}

describe('names of elements', () => {
  test('every known name is found, in any case of letters, as itself', () => {
    for (const [number, name] of T.NAMES.entries()) {
      if (name === '') continue
      expect([name, tagOf(name)]).toEqual([name, number])
      expect(tagOf(name.toUpperCase())).toBe(number)
    }
    expect(T.NAMES[T.DIV]).toBe('div')
    expect(T.NAMES[T.ANNOTATION_XML]).toBe('annotation-xml')
  })

  test('what is nearly a name is none', () => {
    for (const name of ['dov', 'divv', 'di', 'x-div', 'metá', 'h7', 'annotation_xml', 'emplatet', 'aaaaaab'])
      expect(tagOf(name)).toBe(0)
  })

  test('other names get numbers of their own, the same each time', () => {
    const others = new OtherNames()
    const first = others.numberOf('x-card')
    expect([others.numberOf('x-other'), others.numberOf('x-card')]).toEqual([first + 1, first])
    expect(first).toBe(T.NAMES.length)
  })

  test('the table says of elements what the standard says', () => {
    const has = (tag: number, bit: number) => (T.PROPS[tag]! & bit) !== 0
    expect([T.P, T.LI, T.META].map((tag) => has(tag, T.IS_SPECIAL))).toEqual([true, true, true])
    expect([T.SPAN, T.B, T.A, T.DIALOG].map((tag) => has(tag, T.IS_SPECIAL))).toEqual([false, false, false, false])
    expect([T.P, T.LI, T.OPTION, T.DIV].map((tag) => has(tag, T.IS_IMPLIED_END))).toEqual([true, true, true, false])
    expect([T.TABLE, T.TR, T.TD].map((tag) => has(tag, T.IS_FOSTERS))).toEqual([true, true, false])
  })
})
