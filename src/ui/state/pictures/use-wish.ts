'use client'

import { create } from 'zustand'
import type { Fill, RefitWish } from '@/core/image'
import { CARD_WISH } from './refit-name'

/** What is asked of a picture besides its focus. */
export type Wish = Omit<RefitWish, 'focus'>

const useStore = create<Wish>(() => CARD_WISH)

export const readWish = (): Wish => useStore.getState()

export const setWish = (change: Partial<Wish>): void => useStore.setState(change)

/** The wish for one picture and for many: what was chosen for one holds for a selection too. */
export const useWish = (): Wish => useStore()

export const FILLS: { name: string; kind: Fill['kind'] }[] = [
  { name: 'Cut to the shape', kind: 'crop' },
  { name: 'Whole, edges drawn out', kind: 'extend' },
  { name: 'Whole, before itself blurred', kind: 'blur' },
  { name: 'Whole, on a colour', kind: 'color' },
]

export const fillName = ({ kind }: Fill): string => FILLS.find((one) => one.kind === kind)!.name
