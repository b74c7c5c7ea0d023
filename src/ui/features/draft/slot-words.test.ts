import { expect, test } from 'vitest'
import { DraftSlot } from '@/core/draft'
import { slotWords } from './slot-words'

test('every slot is called by words', () => {
  for (const slot of DraftSlot.options) expect(slotWords(slot), slot).toMatch(/^[A-Z][a-z]+(?: [\w-]+)*$/)
  expect(slotWords('title@search')).toBe('Title in tab and search')
  expect(slotWords('imageAlt@microblog')).toBe('Alternative text on Microblog')
})
