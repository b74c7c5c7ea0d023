import { z } from 'zod'
import { Position, TagPosition } from './position'
import { RichThing } from './rich-thing'

/** One `<meta>`, once for every attribute that names it. `value` is untouched; null without `content`. */
export const MetaFact = TagPosition.extend({
  key: z.string(),
  attribute: z.enum(['name', 'property', 'http-equiv', 'charset']),
  value: z.string().nullable(),
  inHead: z.boolean(),
  /** Words behind a value without quotes that the browser takes for attributes: the value was meant to go on. */
  cutOff: z.string().optional(),
})
export type MetaFact = z.infer<typeof MetaFact>

/** One `<link>` with a `rel` (its tokens in lower case, single spaces). */
export const LinkFact = TagPosition.extend({
  rel: z.string(),
  href: z.string(),
  type: z.string().optional(),
  sizes: z.string().optional(),
  hreflang: z.string().optional(),
  /** The parser puts it in the body, where search does not read what it says of the page. */
  inBody: z.literal(true).optional(),
})
export type LinkFact = z.infer<typeof LinkFact>

/** One `<script type="application/ld+json">`. */
export const JsonLdFact = Position.extend({
  types: z.array(z.string()),
  error: z.string().nullable(),
  errorLine: z.number().int().nullable(),
  /** Things it describes that some place lays out richly, with the fields found; absent when there are none. */
  things: z.array(RichThing).optional(),
  /** What it calls the site, or those whose it is; absent when it names neither. */
  siteNames: z.array(z.string()).optional(),
  /** What the things in it are called, the site aside; absent where nothing is named. */
  names: z.array(z.string()).optional(),
})
export type JsonLdFact = z.infer<typeof JsonLdFact>

/** A picture in the page's content, in document order. Declared sizes are CSS pixels; null when not declared. */
export const ContentImage = TagPosition.extend({
  src: z.string(),
  alt: z.string().nullable(),
  width: z.number().nullable(),
  height: z.number().nullable(),
})
export type ContentImage = z.infer<typeof ContentImage>

/** What the HTML standard's tree says of one page, scripting off. */
export const PageFacts = z.object({
  title: z.string().nullable(),
  description: z.string().nullable(),
  language: z.string().nullable(),
  canonical: z.string().nullable(),
  robots: z.string().nullable(),
  h1: z.string().nullable(),
  firstParagraph: z.string().nullable(),
  base: z.string().nullable(),
  metas: z.array(MetaFact),
  links: z.array(LinkFact),
  jsonLd: z.array(JsonLdFact),
  contentImages: z.array(ContentImage),
  /** Where the three texts above stand; null where there is none. */
  at: z.object({
    title: TagPosition.nullable(),
    h1: TagPosition.nullable(),
    firstParagraph: TagPosition.nullable(),
  }),
  /** Links that hand an address or a text to another place; runs written before these were read have none. */
  shareLinks: z.array(Position.extend({ href: z.string() })).optional(),
  /** What closed the head before its `</head>`: a tag as written, or `text`. */
  headClosedBy: Position.extend({ by: z.string() }).nullish(),
  /** A second `<head>` tag: browsers ignore it, and whoever reads up to the first `</head>` misses what follows it. */
  headAgain: Position.optional(),
  /** A byte order mark names the encoding. */
  hasByteOrderMark: z.literal(true).optional(),
  /** What was more than is kept of one page, in words: `og:title after 32768 characters`. Absent where nothing was. */
  leftOut: z.array(z.string()).optional(),
  /** The page holds hardly any text and loads a script that is to fill it. */
  isShell: z.boolean().optional(),
})
export type PageFacts = z.infer<typeof PageFacts>

/** A piece of the page's source worth showing: a line, or a part of a line that holds several tags. */
export const SourceLine = Position.extend({ text: z.string(), inHead: z.boolean() })
export type SourceLine = z.infer<typeof SourceLine>
