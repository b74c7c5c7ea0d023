/**
 * From a start to a run: the frontier, sitemaps, pictures, retries, pace and bounds, for an address, a list, a
 * folder or a zip alike. It is pure: the network, the disk and the clock are handed in as a CrawlEnvironment, and what
 * it finds comes out as one stream of events. It judges nothing. Begin with site-crawl.ts and gather-build.ts;
 * events.ts has the stream.
 */

export { type AddressFile, AddressFileReader, faultOfAddressFile } from './address-file'
export {
  type BuildFiles,
  countPageFiles,
  createFileMap,
  decodedPath,
  encodedPath,
  type FilePart,
  pageFiles,
  partOf,
  typeOfFile,
} from './build-files'
export {
  type BuildPart,
  gatherBuildPart,
  isInShard,
  type KeptFile,
  type PartPage,
  pagesOfShard,
  replayOf,
  type Shard,
} from './build-part'
export { collectSitemaps, lackOfSitemaps } from './collect-sitemaps'
export { crawl, crawlGiven, cutListSaid, isPreview, onPreview } from './crawl'
export { type CrawlOptions, defaultCrawlOptions, type QueuedUrl } from './crawl-options'
export { type Earlier, EarlierFacts, earlierFrom, type KnownPage } from './earlier'
export { type CrawlEvent, type CrawlEvents, GatheringBuilder, oneByOne } from './events'
export { gatherBuild, lookInBuild } from './gather-build'
export { type LookAtImage, lookByReading, readAsHostsMay, seenFromHere } from './image-queue'
export { inParallel } from './in-parallel'
export { withLinkersOfAll } from './linkers-of-parts'
export { surveyWith, withoutMissing } from './missing-urls'
export { NothingAnswered } from './nothing-answered'
export { haveOneOwner, PictureHosts } from './picture-hosts'
export {
  type BodySink,
  type CrawlEnvironment,
  type Decode,
  type Decoded,
  type FetchResult,
  type ReadAddress,
  type ReadRequest,
  readFollowing,
} from './read-address'
export { readFromBuild } from './read-from-build'
export { REFRESH_STATUS } from './refreshes'
export { feedAndNeighbourLinks } from './site-audit'
export { readList, readSitemap } from './sitemap'
export { SERVED_BUILD, ServedBuild, SIZE_HEADER, type StartedWith, servedFile } from './started-with'
export { CrawlRequest, Login, type ParsedCrawlRequest, ServedImage, toWire, WireEvent } from './wire'
export { BadZip, openZip } from './zip-build'
