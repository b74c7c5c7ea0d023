import { defineSlot } from './slot'

export const card = defineSlot({
  key: 'card',
  name: 'Card kind',
  writes: ['twitter:card'],
  clears: [],
  choices: ['summary_large_image', 'summary', 'player', 'app'],
  isShort: true,
  bulkName: 'Card kind',
})
