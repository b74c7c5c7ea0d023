import type { GatheredImage } from '../model'

// What stands for things that are still to be made, so that a change can be tried before they are.

/** Stands for a picture that is still to be made: what any place shows whole. */
export function standInPicture(url: string): GatheredImage {
  return {
    url,
    status: 200,
    format: 'jpeg',
    width: 1200,
    height: 630,
    bytes: 90_000,
    alpha: false,
    animated: false,
    hash: `sha256:stand-in-${url}`,
    contentType: 'image/jpeg',
    error: null,
    errorCode: null,
    iconOnly: false,
    look: null,
  }
}

/** Marks the address of a picture that is still to be made. */
export const TO_MAKE = '__to-be-made__'
export const isToBeMade = (url: string): boolean => url.includes(`/${TO_MAKE}/`)
