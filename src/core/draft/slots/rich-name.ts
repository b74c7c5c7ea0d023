import { defineSlot } from './slot'

export const richName = defineSlot({
  key: 'richName',
  name: 'Name in JSON-LD',
  writes: ['json-ld name'],
  clears: [],
  isFixed: true,
  isShort: true,
})
