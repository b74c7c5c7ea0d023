import type { Check } from '../define-check'
import { accountMalformed } from './account-malformed'
import { accountVaries } from './account-varies'
import { addressDead } from './address-dead'
import { addressDiffers } from './address-differs'
import { addressInsecure } from './address-insecure'
import { addressPlaceholder } from './address-placeholder'
import { addressRelative } from './address-relative'
import { addressStaging } from './address-staging'
import { alternateBroken } from './alternate-broken'
import { appIdMalformed } from './app-id-malformed'
import { canonicalMissing } from './canonical-missing'
import { cardFieldsMissing } from './card-fields-missing'
import { cardMissing } from './card-missing'
import { cardSmall } from './card-small'
import { cardUnknown } from './card-unknown'
import { charsetLate } from './charset-late'
import { crawlerBlocked } from './crawler-blocked'
import { crawlerServedDifferently } from './crawler-served-differently'
import { descriptionDuplicate } from './description-duplicate'
import { descriptionLong } from './description-long'
import { descriptionMissing } from './description-missing'
import { descriptionPlaceholder } from './description-placeholder'
import { descriptionThin } from './description-thin'
import { faviconMissing } from './favicon-missing'
import { feedDead } from './feed-dead'
import { identityDiffers } from './identity-differs'
import { identityMissing } from './identity-missing'
import { imageAltMissing } from './image-alt-missing'
import { imageAnimated } from './image-animated'
import { imageBelowLarge } from './image-below-large'
import { imageBelowMinimum } from './image-below-minimum'
import { imageBelowRecommended } from './image-below-recommended'
import { imageDamaged } from './image-damaged'
import { imageElsewhere } from './image-elsewhere'
import { imageFallback } from './image-fallback'
import { imageFormat } from './image-format'
import { imageHeavy } from './image-heavy'
import { imageInsecure } from './image-insecure'
import { imageMany } from './image-many'
import { imageNotImage } from './image-not-image'
import { imageOwnUnused } from './image-own-unused'
import { imagePlaceholder } from './image-placeholder'
import { imageRelative } from './image-relative'
import { imageSamePicture } from './image-same-picture'
import { imageShape } from './image-shape'
import { imageShared } from './image-shared'
import { imageSizeMismatch } from './image-size-mismatch'
import { imageSizeUndeclared } from './image-size-undeclared'
import { imageTooHeavy } from './image-too-heavy'
import { imageTransparent } from './image-transparent'
import { imageTypeMismatch } from './image-type-mismatch'
import { imageUnreachable } from './image-unreachable'
import { jsonLdInvalid } from './json-ld-invalid'
import { keywordsLong } from './keywords-long'
import { labelUnpaired } from './label-unpaired'
import { languageDiffers } from './language-differs'
import { languageMissing } from './language-missing'
import { localeDiffers } from './locale-differs'
import { ogDescriptionMissing } from './og-description-missing'
import { ogImageMissing } from './og-image-missing'
import { ogTitleMissing } from './og-title-missing'
import { ogTypeFields } from './og-type-fields'
import { ogTypeMissing } from './og-type-missing'
import { ogTypeUnfit } from './og-type-unfit'
import { ogTypeUnknown } from './og-type-unknown'
import { ogUrlMissing } from './og-url-missing'
import { pageCachedStale } from './page-cached-stale'
import { pageNoindex } from './page-noindex'
import { pageOrphan } from './page-orphan'
import { pageRedirected } from './page-redirected'
import { pageUnreachable } from './page-unreachable'
import { paginationBroken } from './pagination-broken'
import { personObjects } from './person-objects'
import { requiredFieldMissing } from './required-field-missing'
import { richFieldsMissing } from './rich-fields-missing'
import { shareLinkDead } from './share-link-dead'
import { shareLinkDiffers } from './share-link-differs'
import { siteNameIsAddress } from './site-name-is-address'
import { siteNameMissing } from './site-name-missing'
import { siteNameVaries } from './site-name-varies'
import { sitemapDeadEntry } from './sitemap-dead-entry'
import { sitemapLacksPage } from './sitemap-lacks-page'
import { sitemapListsHidden } from './sitemap-lists-hidden'
import { sitemapMissing } from './sitemap-missing'
import { stagingIndexable } from './staging-indexable'
import { tagAttribute } from './tag-attribute'
import { tagEmpty } from './tag-empty'
import { tagFromScript } from './tag-from-script'
import { tagLate } from './tag-late'
import { tagMisspelled } from './tag-misspelled'
import { tagOutsideHead } from './tag-outside-head'
import { tagRepeated } from './tag-repeated'
import { tagRepeatedSame } from './tag-repeated-same'
import { textDoubleEscaped } from './text-double-escaped'
import { textGarbled } from './text-garbled'
import { titleCut } from './title-cut'
import { titleDuplicate } from './title-duplicate'
import { titleLong } from './title-long'
import { titleMissing } from './title-missing'
import { titlePatternVaries } from './title-pattern-varies'
import { titlePlaceholder } from './title-placeholder'
import { titleShort } from './title-short'
import { twinDiffers } from './twin-differs'
import { valueUnquoted } from './value-unquoted'

/** Every check, by id. A new one is one file, one test, one line here. */
export const checks: readonly Check[] = [
  accountMalformed,
  accountVaries,
  addressDead,
  addressDiffers,
  addressInsecure,
  addressPlaceholder,
  addressRelative,
  addressStaging,
  alternateBroken,
  appIdMalformed,
  canonicalMissing,
  cardFieldsMissing,
  cardMissing,
  cardSmall,
  cardUnknown,
  charsetLate,
  crawlerBlocked,
  crawlerServedDifferently,
  descriptionDuplicate,
  descriptionLong,
  descriptionMissing,
  descriptionPlaceholder,
  descriptionThin,
  faviconMissing,
  feedDead,
  identityDiffers,
  identityMissing,
  imageAltMissing,
  imageAnimated,
  imageBelowLarge,
  imageBelowMinimum,
  imageBelowRecommended,
  imageDamaged,
  imageElsewhere,
  imageFallback,
  imageFormat,
  imageHeavy,
  imageInsecure,
  imageMany,
  imageNotImage,
  imageOwnUnused,
  imagePlaceholder,
  imageRelative,
  imageSamePicture,
  imageShape,
  imageShared,
  imageSizeMismatch,
  imageSizeUndeclared,
  imageTooHeavy,
  imageTransparent,
  imageTypeMismatch,
  imageUnreachable,
  jsonLdInvalid,
  keywordsLong,
  labelUnpaired,
  languageDiffers,
  languageMissing,
  localeDiffers,
  ogDescriptionMissing,
  ogImageMissing,
  ogTitleMissing,
  ogTypeFields,
  ogTypeMissing,
  ogTypeUnfit,
  ogTypeUnknown,
  ogUrlMissing,
  pageCachedStale,
  pageNoindex,
  pageOrphan,
  pageRedirected,
  pageUnreachable,
  paginationBroken,
  personObjects,
  requiredFieldMissing,
  richFieldsMissing,
  shareLinkDead,
  shareLinkDiffers,
  siteNameIsAddress,
  siteNameMissing,
  siteNameVaries,
  sitemapDeadEntry,
  sitemapLacksPage,
  sitemapListsHidden,
  sitemapMissing,
  stagingIndexable,
  tagAttribute,
  tagEmpty,
  tagFromScript,
  tagLate,
  tagMisspelled,
  tagOutsideHead,
  tagRepeated,
  tagRepeatedSame,
  textDoubleEscaped,
  textGarbled,
  titleCut,
  titleDuplicate,
  titleLong,
  titleMissing,
  titlePatternVaries,
  titlePlaceholder,
  titleShort,
  twinDiffers,
  valueUnquoted,
]

const byId: ReadonlyMap<string, Check> = new Map(checks.map((check) => [check.id, check]))

export function checkOf(id: string): Check | undefined {
  return byId.get(id)
}
