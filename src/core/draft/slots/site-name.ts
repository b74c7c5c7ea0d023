import { defineSlot } from './slot'

export const siteName = defineSlot({
  key: 'siteName',
  name: 'Site name',
  writes: ['og:site_name'],
  clears: [],
  isShort: true,
  bulkName: 'Site name',
})
