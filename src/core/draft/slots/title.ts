import { defineSlot } from './slot'

export const title = defineSlot({
  key: 'title',
  name: 'Title',
  writes: ['og:title', 'title'],
  clears: ['twitter:title'],
  keepsCleared: ['title'],
  bulkName: 'Title: one text for all',
})

export const titleOnMicroblog = defineSlot({
  key: 'title@microblog',
  name: 'Title on Microblog',
  writes: ['twitter:title'],
  clears: [],
})

export const titleInSearch = defineSlot({
  key: 'title@search',
  name: 'Title in tab and search',
  writes: ['title'],
  clears: [],
})
