import type { CardPart } from '@/core/surface'

const WORDS: Partial<Record<CardPart, string>> = { siteLine: 'site line', image: 'picture' }

/** Parts of a card as people call them: `title, picture`. */
export const partsInWords = (parts: readonly CardPart[]): string => parts.map((part) => WORDS[part] ?? part).join(', ')
