import type { Surface } from './profile'

/** Space round the text of a card, in CSS px; assumed, since every place has its own. */
export const CARD_PADDING_PX = 12
/** A small picture beside the text, in the place's own pixels; assumed. */
export const THUMBNAIL_PX = 126
/** A chat shows a picture of its own ratio no wider than this (surfaces.md, documented for the team chat). */
export const NATURAL_PX = 360

/** About how wide a place draws a picture, in CSS px: what its sharpness hangs on. */
export function drawnWidth(surface: Surface, layout: 'wide' | 'natural' | 'thumbnail'): number {
  if (layout === 'thumbnail') return THUMBNAIL_PX
  const boxes = surface.boxes[layout] ?? surface.boxes.text
  const card = (boxes.title?.widthPx ?? 400) + 2 * CARD_PADDING_PX
  return layout === 'natural' ? Math.min(NATURAL_PX, card) : card
}
