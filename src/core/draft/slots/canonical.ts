import { defineSlot } from './slot'

export const canonical = defineSlot({
  key: 'canonical',
  name: 'Canonical',
  writes: ['canonical'],
  clears: [],
  isShort: true,
})
