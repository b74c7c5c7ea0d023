import { namesIn, type SiteCalled } from '../check'
import type { GatheredImage, GatheredPage, PageFacts } from '../model'
import { type CardContext, imageCandidates, publicImageUrl } from '../surface'
import type { DraftFields, DraftSlot, SlotValue } from './draft'
import { patternValues } from './effective'
import { pictureHelps, textHelps } from './text-helps'
import { renderTitle, type TitlePattern } from './title-pattern'

type ReadPage = GatheredPage & { facts: PageFacts }

/** One change that is made to many pages at once. */
export type BulkChange =
  /** The same value for all; null takes the tags out, undefined lets them inherit again. */
  | { kind: 'value'; slot: DraftSlot; value: SlotValue | undefined }
  /** Each page's own text: its heading, its first paragraph, a tag that it has. */
  | { kind: 'own-text'; slot: 'title' | 'description'; from: string }
  /** Each page's own largest picture. */
  | { kind: 'own-picture' }
  | { kind: 'pattern'; slot: 'title' | 'title@search'; pattern: TitlePattern; called: SiteCalled }

/** A page's own pictures that are large enough for a card, the largest first. */
export function ownPictures(page: ReadPage, context: Pick<CardContext, 'addresses' | 'images'>): GatheredImage[] {
  const urls = imageCandidates(page.facts, ['content-image']).flatMap(({ value }) =>
    value === null ? [] : (publicImageUrl(page, value, context) ?? []),
  )
  const images = urls.flatMap((url) => context.images.get(url) ?? [])
  return pictureHelps(urls, images).map(({ image }) => image)
}

function valueFor(
  page: ReadPage,
  section: string,
  change: BulkChange,
  context: Pick<CardContext, 'addresses' | 'images'>,
): { slot: DraftSlot; value: SlotValue | undefined } | null {
  switch (change.kind) {
    case 'value':
      return { slot: change.slot, value: change.value }
    case 'own-text': {
      const text = textHelps(page.facts, change.slot).find(({ from }) => from === change.from)?.text
      return text === undefined ? null : { slot: change.slot, value: text }
    }
    case 'own-picture': {
      const picture = ownPictures(page, context)[0]
      return picture ? { slot: 'image', value: picture.url } : null
    }
    case 'pattern': {
      const title = renderTitle(change.pattern, patternValues(page, section, namesIn(change.called, section)))
      return title === '' ? null : { slot: change.slot, value: title }
    }
  }
}

/** What a change makes of one page's draft; null where the page has nothing to offer for it. */
export function bulkFields(
  page: ReadPage,
  section: string,
  before: DraftFields,
  change: BulkChange,
  context: Pick<CardContext, 'addresses' | 'images'>,
): { slot: DraftSlot; value: SlotValue | undefined; fields: DraftFields } | null {
  const found = valueFor(page, section, change, context)
  if (!found) return null
  const { [found.slot]: _old, ...rest } = before
  return { ...found, fields: found.value === undefined ? rest : { ...rest, [found.slot]: found.value } }
}
