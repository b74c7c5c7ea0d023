/** Every limit of a run in one place. Bytes are counts, times milliseconds; MB and KB are powers of ten. */
export const limits = {
  /** HTML read of one page at most; what follows is left unread. */
  pageBytes: 10_000_000,
  /** A picture read at most, for its hash and its pixels. */
  imageBytes: 12_000_000,
  /** Of a picture whose size alone is wanted: most say it in the first; where notes stand before it, in the next. */
  imageStartBytes: [4096, 16_384, 65_536] as const,
  /** A text kept of a page (a title, the value of a tag), in UTF-16 code units. */
  textCharacters: 32_768,
  /** Kept of one page: tags, rel links, pictures, JSON-LD scripts, links. */
  metasOfPage: 5000,
  relLinksOfPage: 5000,
  imagesOfPage: 10_000,
  jsonLdOfPage: 1000,
  linksOfPage: 100_000,
  /** Findings of one check on one page: what says the same a hundred times says no more the hundred and first. */
  findingsOfCheck: 100,
  /** Rungs of one ladder. */
  rungsOfLadder: 40,
  /** Changes tried on one page, and tags read again by all trials of a run. */
  changesTriedOfPage: 50,
  tagsTriedOfRun: 20_000_000,
  /** Pictures fetched of those that one page names, icons too; and of one run. */
  picturesOfPage: 20,
  picturesOfRun: 100_000,
  /** Hosts that are neither the site's nor named: requests of a run in all, and least time between two of one host. */
  foreignPictures: 200,
  foreignPictureMs: 500,
  /** Decoded of the pictures of one page, and of one run, as their headers say. */
  decodedPixelsOfPage: 100_000_000,
  decodedBytesOfPage: 48_000_000,
  decodedPixels: 50_000_000_000,
  decodedBytes: 4_000_000_000,
  /** robots.txt read at most (RFC 9309 asks for 500 KiB). */
  robotsBytes: 512 * 1024,
  /** Rules of robots.txt with a `*` that count for one crawler. */
  wildRobotsRules: 2000,
  /** A sitemap, unpacked (sitemaps.org: 50 MB, 50,000 entries). */
  sitemapBytes: 50 * 1024 * 1024,
  sitemapEntries: 50_000,
  /** Sitemaps read in one run, those that an index names included. */
  sitemaps: 200,
  /** Redirects followed from one address. */
  redirects: 10,
  /** A Crawl-delay is kept up to this. */
  crawlDelayMs: 10_000,
  /** Asking again after an error of the server, a reset or a time-out. */
  retries: 2,
  /** The first wait before asking again; it doubles. A Retry-After is kept up to the most. */
  retryFirstMs: 500,
  retryMostMs: 10_000,
  maxPages: 2000,
  /** A build that the browser reads by itself hurts no server. */
  maxPagesOfBuild: 100_000,
  /** Addresses that links name and a build lacks, told as pages: one page can name any number. */
  missingPages: 2000,
  maxDepth: 20,
  concurrency: 8,
  timeoutMs: 20_000,
  /** One run in all: bytes of pages and pictures, and time. */
  runBytes: 4_000_000_000,
  runMs: 2 * 60 * 60 * 1000,
  /** An address longer than this, or deeper, is no page that somebody made. */
  addressCharacters: 2000,
  addressSegments: 24,
  /** A glob that is longer was not written by hand. */
  globCharacters: 1000,
  globs: 100,
  /** Queries asked of one path: beyond that they are filters and orders of one page. */
  queriesOfOnePath: 60,
  /** A calendar is followed so far from today. */
  calendarMonthsAhead: 24,
  calendarYearsBack: 30,
  /** A zip as it is: it is held in memory. */
  zipPackedBytes: 2_000_000_000,
  /** A zip: entries, unpacked bytes in all and of one file, and how far a file may unpack. */
  zipEntries: 200_000,
  zipBytes: 4_000_000_000,
  zipFileBytes: 200_000_000,
  zipRatio: 400,
  /** Files that a person hands in as JSON: settings, and documents of runs. Characters, and how deep lists may lie. */
  settingsCharacters: 5_000_000,
  documentCharacters: 500_000_000,
  /** How far a packed document may unpack: one of thousands of like pages does to about 40 times its size. */
  documentRatio: 200,
  jsonDepth: 100,
  /** What the app's server takes of a request: any, and one that holds a list of addresses. */
  requestBytes: 1_000_000,
  listRequestBytes: 10_000_000,
  /** One that hands over what an earlier run read, where the server is the reader’s own. */
  earlierRequestBytes: 60_000_000,
} as const
