/**
 * Bytes of a picture to what is known without decoding it: format, size after orientation, transparency,
 * animation, how it was damaged. And the geometry of pictures: crops, the zone that several crops keep, how
 * alike two pictures are, what a refit has to do. No pixel is decoded here. Begin with read-header.ts;
 * formats/ has a file a format.
 */
export { type Crop, cropToRatio, WIDE_RATIO } from './crop'
export { busiestPoint, type DetailMap, detailMap, detailOutside } from './detail'
export { isSoft, keepZone, shareLost } from './keep-zone'
export { groupAlike, LOOK_SIDE, type Look, type Looked, lookAsText, lookFromText, lookOfPixels } from './likeness'
export { typeOfFormat } from './media-types'
export { FOCUS_PX, type Pixels, proposeFocus } from './propose-focus'
export { isWholePicture, readImageHeader } from './read-header'
export {
  BLUR_SHARE,
  type Budgeted,
  CENTER,
  enlargedBy,
  type Fill,
  Focus,
  type RefitPlan,
  type RefitType,
  type RefitWish,
  refitPlan,
  type Shape,
  withinBudget,
} from './refit-plan'
export { colorsOfPixels, colorsOfStyleSheets, type SiteColor } from './site-colors'
export { MAX_WORKED_PIXELS, scaledToPixels, tooManyPixels } from './worked-size'
