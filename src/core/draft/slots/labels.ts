import { defineSlot } from './slot'

export const label1 = defineSlot({
  key: 'label1',
  name: 'First label',
  writes: ['twitter:label1'],
  clears: [],
  isShort: true,
})

export const data1 = defineSlot({
  key: 'data1',
  name: 'First value',
  writes: ['twitter:data1'],
  clears: [],
  isShort: true,
})

export const label2 = defineSlot({
  key: 'label2',
  name: 'Second label',
  writes: ['twitter:label2'],
  clears: [],
  isShort: true,
})

export const data2 = defineSlot({
  key: 'data2',
  name: 'Second value',
  writes: ['twitter:data2'],
  clears: [],
  isShort: true,
})
