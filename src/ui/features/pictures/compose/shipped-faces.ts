'use client'

import { declaredFaces } from '../../../parts/declared-faces'
import { onPicture } from '../../../state/pictures/picture-worker'

/** Tells the worker of the faces that ship with the app: it has none of the page's. Asking twice does no harm. */
export const shipFaces = (): Promise<null> => onPicture('faces', { faces: declaredFaces() })
