/**
 * Share pictures from a template: where title, mark and ground stand so that every chosen place keeps them, as
 * a plan of steps that a canvas draws, and the keep zone as a guide for drawing programs. No pixel is drawn
 * here. Begin with compose-plan.ts; read-templates.ts reads what was saved.
 */

export { type ComposePlan, type ComposeTexts, composePlan, type FaceMetrics, type PlacedLine } from './compose-plan'
export { composedNames } from './composed-name'
export { channelsOf, contrastOf, luminance } from './contrast'
export { type Design, designs, panelColor, wantsPicture } from './designs'
export { keepZoneGuide } from './keep-zone-guide'
export { pageTexts } from './page-texts'
export { filesNamedBy, patternFault, readTemplates, templatesJsonSchema } from './read-templates'
export { Background, firstTemplate, PictureTemplate, PictureTemplates } from './template'
