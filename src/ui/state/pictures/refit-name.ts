import type { RefitType, RefitWish, Shape } from '@/core/image'

/** The shape that all places with a large card keep whole, under the weight that no place calls heavy. */
export const CARD_WISH: Omit<RefitWish, 'focus'> = {
  shape: { width: 1200, height: 630 },
  fill: { kind: 'crop' },
  budget: 100_000,
  type: 'jpeg',
}

const EXTENSIONS: Record<RefitType, string> = { jpeg: 'jpg', png: 'png', webp: 'webp' }

/**
 * Name of a refitted picture: its own, and the shape.
 *
 * @example refitName('https://site.example/img/lathe.png?v=2', { width: 1200, height: 630 }, 'jpeg') // lathe-1200x630.jpg
 */
export function refitName(url: string, { width, height }: Shape, type: RefitType): string {
  const last = new URL(url).pathname.split('/').at(-1) ?? ''
  const own = last.replace(/\.[a-z0-9]{2,5}$/i, '').replace(/[^\w.-]+/g, '-') || 'picture'
  return `${own}-${width}x${height}.${EXTENSIONS[type]}`
}

/** Where the refitted picture would stand: beside the one that it was made from, if that is on the site. */
export function refitAddress(url: string, site: string, shape: Shape, type: RefitType): string {
  const name = refitName(url, shape, type)
  return url.startsWith(site) ? new URL(name, url).href : new URL(name, site).href
}
