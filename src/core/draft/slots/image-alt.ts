import { defineSlot } from './slot'

export const imageAlt = defineSlot({
  key: 'imageAlt',
  name: 'Alternative text',
  writes: ['og:image:alt'],
  clears: ['twitter:image:alt'],
  bulkName: 'Text for the picture: one for all',
})

export const imageAltOnMicroblog = defineSlot({
  key: 'imageAlt@microblog',
  name: 'Alternative text on Microblog',
  writes: ['twitter:image:alt'],
  clears: [],
})
