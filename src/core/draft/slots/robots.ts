import { defineSlot } from './slot'

export const robots = defineSlot({
  key: 'robots',
  name: 'Robots',
  writes: ['robots'],
  clears: [],
  isShort: true,
})
