import type { Check } from '../define-check'
import { addressDiffers } from './address-differs'
import { addressStaging } from './address-staging'
import { cardMissing } from './card-missing'
import { cardUnknown } from './card-unknown'
import { descriptionDuplicate } from './description-duplicate'
import { descriptionMissing } from './description-missing'
import { imageAltMissing } from './image-alt-missing'
import { imageBelowLarge } from './image-below-large'
import { imageBelowMinimum } from './image-below-minimum'
import { imageFallback } from './image-fallback'
import { imageHeavy } from './image-heavy'
import { imageNotImage } from './image-not-image'
import { imageRelative } from './image-relative'
import { imageShared } from './image-shared'
import { imageSizeMismatch } from './image-size-mismatch'
import { imageUnreachable } from './image-unreachable'
import { ogDescriptionMissing } from './og-description-missing'
import { ogImageMissing } from './og-image-missing'
import { ogTitleMissing } from './og-title-missing'
import { ogTypeMissing } from './og-type-missing'
import { ogUrlMissing } from './og-url-missing'
import { pageNoindex } from './page-noindex'
import { pageUnreachable } from './page-unreachable'
import { tagEmpty } from './tag-empty'
import { tagRepeated } from './tag-repeated'
import { titleDuplicate } from './title-duplicate'
import { titleMissing } from './title-missing'
import { titlePlaceholder } from './title-placeholder'

/** Every check, by id. A new one is one file, one test, one line here. */
export const checks: readonly Check[] = [
  addressDiffers,
  addressStaging,
  cardMissing,
  cardUnknown,
  descriptionDuplicate,
  descriptionMissing,
  imageAltMissing,
  imageBelowLarge,
  imageBelowMinimum,
  imageFallback,
  imageHeavy,
  imageNotImage,
  imageRelative,
  imageShared,
  imageSizeMismatch,
  imageUnreachable,
  ogDescriptionMissing,
  ogImageMissing,
  ogTitleMissing,
  ogTypeMissing,
  ogUrlMissing,
  pageNoindex,
  pageUnreachable,
  tagEmpty,
  tagRepeated,
  titleDuplicate,
  titleMissing,
  titlePlaceholder,
]

export function checkOf(id: string): Check | undefined {
  return checks.find((check) => check.id === id)
}
