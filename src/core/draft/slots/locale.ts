import { defineSlot } from './slot'

export const locale = defineSlot({
  key: 'locale',
  name: 'Locale',
  writes: ['og:locale'],
  clears: [],
  isShort: true,
})
