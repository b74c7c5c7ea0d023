import { expect, test } from 'vitest'
import { wholeSentences } from './whole-sentences'

const bounds = { least: 10, most: 30 }

test.each([
  ['what fits is as it is', 'A lamp burns.', 'A lamp burns.'],
  ['sentences that fit', 'A lamp burns well. And on and on it goes.', 'A lamp burns well.'],
  [
    'another sign',
    'ランプの芯を切る方法です。まっすぐに切ると炎が均一に燃えますので、ぜひお試しください。',
    'ランプの芯を切る方法です。',
  ],
  [
    'words, where the sentence is too short',
    'Oh. A lamp that burns all night long and more.',
    'Oh. A lamp that burns all',
  ],
])('%s', (_name, text, expected) => expect(wholeSentences(text, bounds)).toBe(expected))
