import { describe, expect, test } from 'vitest'
import type { Face } from './face'
import { placeDifferences } from './place-differences'

const face = (over: Partial<Face> = {}): Face => ({
  layout: 'wide',
  title: 'A lamp',
  description: 'How to mend it',
  siteLine: null,
  image: 'a.png',
  ratio: 1.91,
  favicon: null,
  bareBecause: null,
  pictureFault: null,
  labels: [],
  themeColor: null,
  rich: null,
  traits: [],
  ...over,
})
const places = [
  { id: 'a', name: 'Wide feed' },
  { id: 'b', name: 'Feed reply' },
  { id: 'c', name: 'Work network' },
]

describe('in what cards differ from place to place', () => {
  test('is said for the places that do otherwise, one sentence a thing', () => {
    const faces = {
      a: face(),
      b: face({ description: '', layout: 'thumbnail' }),
      c: face({ description: '', title: 'A lamp that is to be …' }),
    }
    expect(placeDifferences(faces, places)).toEqual([
      'Feed reply and Work network show no description.',
      'Feed reply shows the picture small.',
      'Work network cuts the title.',
    ])
  })

  test('what all do alike is none, and a place without a card is not counted', () => {
    expect(placeDifferences({ a: face({ description: '' }), b: face({ description: '' }) }, places)).toEqual([])
  })

  test('of an address alone nothing else is said', () => {
    const bare = face({ layout: 'bare', description: '', title: 'https://a.example/…' })
    expect(placeDifferences({ a: face(), b: bare }, places)).toEqual(['Feed reply shows the address alone.'])
  })
})
