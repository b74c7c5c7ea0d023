import type { AddressMap } from '../address'
import type { GatheredImage, GatheredPage, MetaFact, PageFacts } from '../model'
import { metasOf, type OgImage, ogImages, publicImageUrl } from '../surface'
import { forLast, isBlank } from '../text'
import type { PageContext } from './context'
import { type Raised, type SkippedCheck, skipCheck } from './define-check'

/** A picture that a page's tags name, at the first tag that names it. */
export type DeclaredImage = {
  url: string
  tag: MetaFact
  /** The group of og:image tags it belongs to; null for a twitter:image. */
  group: OgImage | null
}

/** Pictures that og:image and twitter:image name, each address once. Addresses that make no sense are left out. */
export function declaredImages(page: GatheredPage & { facts: PageFacts }, addresses: AddressMap): DeclaredImage[] {
  const fromOg = ogImages(page.facts).flatMap((group) => group.forms.map((tag) => ({ tag, group })))
  const fromCard = ['twitter:image', 'twitter:image:src']
    .flatMap((key) => metasOf(page.facts, key))
    .map((tag) => ({ tag, group: null }))
  const found = new Map<string, DeclaredImage>()
  for (const { tag, group } of [...fromOg, ...fromCard]) {
    const url = isBlank(tag.value) ? null : publicImageUrl(page, tag.value!, { addresses })
    if (url !== null && !found.has(url)) found.set(url, { url, tag, group })
  }
  return [...found.values()]
}

/** A declared picture that was looked at. */
type Seen = { one: DeclaredImage; image: GatheredImage }
const seenOfLast = forLast<readonly Seen[]>()

/**
 * Judges each picture that a page declares and that was looked at.
 *
 * @returns findings, or "not made" when none of the pictures was looked at
 */
export function eachDeclaredImage(
  page: GatheredPage & { facts: PageFacts },
  context: PageContext,
  judge: (image: GatheredImage, declared: DeclaredImage) => Omit<Raised, 'at' | 'image'> | null,
): Raised[] | SkippedCheck {
  const declared = context.declaredImages(page)
  if (declared.length === 0) return []
  const seen = seenOfLast(page, context, '', () =>
    declared.flatMap((one) => {
      const image = context.images.get(one.url)
      return image && image.errorCode !== 'not-looked-at' ? [{ one, image }] : []
    }),
  )
  if (seen.length === 0) return skipCheck('image-not-fetched')
  return seen.flatMap(({ one, image }) => {
    const raised = judge(image, one)
    return raised ? [{ ...raised, at: one.tag, image: one.url }] : []
  })
}

/** A picture whose size is known, as one object; null for any other. */
export function sizedImage(image: GatheredImage): { width: number; height: number } | null {
  return image.errorCode === null && image.width !== null && image.height !== null
    ? { width: image.width, height: image.height }
    : null
}
