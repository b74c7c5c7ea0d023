import { defineSlot } from './slot'

export const author = defineSlot({
  key: 'author',
  name: 'Author',
  writes: ['author'],
  clears: ['article:author', 'twitter:creator'],
  isShort: true,
  bulkName: 'Author',
})
