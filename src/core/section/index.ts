/**
 * Which pages one template made: paths that belong together, languages, numbers and dates in them, and the
 * name of each section as a glob that a requirements file takes. It goes by addresses and by what the pages
 * say of themselves, never by a list of known generators. Begin with find-sections.ts.
 */
export { findSections } from './find-sections'
export { type Sample, type SectionSample, sampleSections } from './sample-sections'
export { sectionName } from './section-name'
