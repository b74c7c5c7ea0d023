import type { GatheredImage } from '../model'
import { ownEntry } from '../text'

// What stands for things that are still to be made, so that a change can be tried before they are.

/** What has to be made before a tag can be written, by the tag. */
const NEEDS: Readonly<Record<string, string>> = {
  'og:url': 'the production URL',
  canonical: 'the production URL',
  title: 'a title that says what the page is',
  description: 'a sentence that says what the page is',
  'og:type': 'the type of the page',
  'twitter:card': 'the kind of card',
  'og:image': 'a picture of 1200 × 630',
  'og:image:alt': 'a text that says what the picture shows',
  'og:site_name': 'the name of the site',
  'twitter:site': 'the account, as @name',
  'twitter:creator': 'the account, as @name',
  'fb:app_id': 'the app’s number',
  'fb:admins': 'the account’s number',
  'html lang': 'the language of the page',
  'og:image:width': 'the picture, to take its size from',
  'og:image:height': 'the picture, to take its size from',
  'article:author': 'the author’s name',
  'article:published_time': 'the day of publication',
}

/** What a text is, whichever tag holds it. */
export const familyOf = (tag: string) => /(?:^|:)(title|description)$/.exec(tag)?.[1] ?? tag
export const needsFor = (tag: string): string => ownEntry(NEEDS, familyOf(tag)) ?? `a value for ${tag}`

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
