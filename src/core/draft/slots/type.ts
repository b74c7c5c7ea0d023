import { defineSlot } from './slot'

export const type = defineSlot({
  key: 'type',
  name: 'Kind of object',
  writes: ['og:type'],
  clears: [],
  choices: ['website', 'article', 'product', 'profile', 'book', 'event', 'place', 'video.movie'],
  isShort: true,
  bulkName: 'Kind of object',
})
