'use client'

import { declaredFaces } from '../../../parts/declared-faces'
import { onEveryPicture } from '../../../state/pictures/picture-worker'

let shipped: Promise<void> | null = null

/** Tells the workers of the faces that ship with the app, once: they have none of the page's. */
export function shipFaces(): Promise<void> {
  shipped ??= onEveryPicture('faces', { faces: declaredFaces() })
  return shipped
}
