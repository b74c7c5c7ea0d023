import { assumed, type CachePolicy, observed, type Recompression } from './profile'

// Habits that places of one kind share. No place publishes them; what practice reports is marked as observed.

const shared: Omit<CachePolicy, 'days' | 'postedLinks'> = {
  askingRenews: assumed('text-and-picture'),
  samePictureAddress: assumed('kept'),
  variants: assumed('apart'),
}

/** Feeds hold a copy for about a month, and asking again changes links that are posted already. */
export const feedHolding: CachePolicy = { days: observed(30), postedLinks: assumed('renewed'), ...shared }

/** A chat reads a link when it is sent; what was sent stays as it is. */
export const chatHolding: CachePolicy = { days: observed(1), postedLinks: observed('kept'), ...shared }

/** A list of results is renewed when its crawler comes by again: days, or weeks for a page without visitors. */
export const searchHolding: CachePolicy = { days: observed(14), postedLinks: observed('renewed'), ...shared }

export const feedRecompression: Recompression = { longestSide: assumed(1200), quality: assumed(80) }
export const thumbnailRecompression: Recompression = { longestSide: assumed(400), quality: assumed(75) }
export const phoneRecompression: Recompression = { longestSide: assumed(800), quality: assumed(65) }
