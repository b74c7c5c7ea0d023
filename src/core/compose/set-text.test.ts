import { describe, expect, it } from 'vitest'
import { setText, type TextRoom } from './set-text'

/** Each code unit is half a type size wide. */
const measure = (text: string, sizePx: number) => text.length * sizePx * 0.5

const room: TextRoom = { width: 400, height: 300, largest: 80, smallest: 20, lines: 4, leading: 1 }

describe('setText', () => {
  it('takes the largest size at which no word is wider than the room', () => {
    // 12 letters of half a size are 400 px at 66.7.
    expect(setText('disassembled', room, measure)).toEqual({ lines: ['disassembled'], sizePx: 66, isCut: false })
    expect(setText('bench', room, measure)).toEqual({ lines: ['bench'], sizePx: 80, isCut: false })
  })

  it('is smaller only as far as the lines and the height ask for', () => {
    const { sizePx, lines } = setText('How to mend a lamp that flickers at night', room, measure)
    expect(lines.length * sizePx).toBeLessThanOrEqual(300)
    for (const line of lines) expect(measure(line, sizePx)).toBeLessThanOrEqual(400)
    // One size more would not fit: four lines of 75 px are 300 px high, and hold 10.6 letters each.
    const larger = setText('How to mend a lamp that flickers at night', { ...room, smallest: sizePx + 1 }, measure)
    expect(larger.isCut).toBe(true)
  })

  it('makes lines of about one width', () => {
    const set = setText('Sharpen a kitchen knife on stone', { ...room, width: 600, largest: 40 }, measure)
    expect(set.lines).toEqual(['Sharpen a kitchen', 'knife on stone'])
  })

  it('cuts at the smallest size, whole words and an ellipsis, and says so', () => {
    const set = setText('one two three four five six seven', { ...room, width: 100, lines: 2 }, measure)
    expect(set).toEqual({ lines: ['one two', 'three fou…'], sizePx: 20, isCut: true })
  })

  it('breaks a word that is wider than the room at the smallest size', () => {
    const set = setText('unbreakableness', { ...room, width: 100, lines: 3 }, measure)
    expect(set).toEqual({ lines: ['unbreakabl', 'eness'], sizePx: 20, isCut: false })
  })

  it('never splits a grapheme', () => {
    const set = setText(
      '👩‍🔧👩‍🔧👩‍🔧👩‍🔧',
      { ...room, width: 100, lines: 1 },
      (text, size) => [...new Intl.Segmenter().segment(text)].length * size,
    )
    expect(set.lines).toEqual(['👩‍🔧👩‍🔧👩‍🔧👩‍🔧'])
    expect(set.sizePx).toBe(25)
    const narrow = setText(
      '👩‍🔧👩‍🔧👩‍🔧👩‍🔧',
      { ...room, width: 60, lines: 1 },
      (text, size) => [...new Intl.Segmenter().segment(text)].length * size,
    )
    expect(narrow.lines).toEqual(['👩‍🔧👩‍🔧…'])
  })

  it('breaks Chinese between any two characters', () => {
    const set = setText(
      '修理台灯的方法和工具',
      { ...room, width: 160, lines: 2, largest: 60 },
      (text, size) => text.length * size,
    )
    expect(set.lines.join('')).toBe('修理台灯的方法和工具')
    expect(set).toMatchObject({ sizePx: 32, isCut: false })
  })

  it('has nothing to set of an empty text, and bounds a giant one', () => {
    expect(setText('  ', room, measure).lines).toEqual([])
    let calls = 0
    const set = setText('word '.repeat(100_000), room, (text, size) => {
      calls++
      return measure(text, size)
    })
    expect(set.isCut).toBe(true)
    expect(calls).toBeLessThan(2000)
  })
})
