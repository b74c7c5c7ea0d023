import { defineSlot } from './slot'

export const language = defineSlot({
  key: 'language',
  name: 'Language',
  writes: ['html lang'],
  clears: [],
  isShort: true,
})
