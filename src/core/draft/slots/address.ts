import { defineSlot } from './slot'

export const address = defineSlot({
  key: 'address',
  name: 'Address of the card',
  writes: ['og:url'],
  clears: [],
  isShort: true,
})
