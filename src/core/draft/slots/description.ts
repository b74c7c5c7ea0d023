import { defineSlot } from './slot'

export const description = defineSlot({
  key: 'description',
  name: 'Description',
  writes: ['og:description', 'description'],
  clears: ['twitter:description'],
  keepsCleared: ['description'],
  bulkName: 'Description: one text for all',
})

export const descriptionOnMicroblog = defineSlot({
  key: 'description@microblog',
  name: 'Description on Microblog',
  writes: ['twitter:description'],
  clears: [],
})

export const descriptionInSearch = defineSlot({
  key: 'description@search',
  name: 'Description in search',
  writes: ['description'],
  clears: [],
})
