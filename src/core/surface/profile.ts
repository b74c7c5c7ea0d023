import { z } from 'zod'
import { ImageFormat } from '../model'

/** How a figure is known: the place publishes it, practice reports it, or we take it to be so. */
const Basis = z.enum(['documented', 'observed', 'assumed'])
export type Basis = z.infer<typeof Basis>

/** How far a figure can be built on, as is said to people who look at pictures. */
export const BASIS_WORDS: Readonly<Record<Basis, string>> = {
  documented: 'the place says so',
  observed: 'seen in practice',
  assumed: 'our guess',
}

/** Of several figures the one that is known least: what is made of them is known no better. */
export const weakestBasis = (figures: readonly (Figure<unknown> | null)[]): Basis => {
  const found = new Set(figures.map((one) => one?.basis))
  return found.has('assumed') ? 'assumed' : found.has('observed') ? 'observed' : 'documented'
}

const figure = <T extends z.ZodType>(value: T) => z.object({ value, basis: Basis })

export type Figure<T> = { value: T; basis: Basis }
export const documented = <T>(value: T): Figure<T> => ({ value, basis: 'documented' })
export const observed = <T>(value: T): Figure<T> => ({ value, basis: 'observed' })
export const assumed = <T>(value: T): Figure<T> => ({ value, basis: 'assumed' })

/** Where a text may come from: a tag's key, or one of the page's own texts. */
export const TextSource = z.enum([
  'twitter:title',
  'og:title',
  'title',
  'h1',
  'twitter:description',
  'og:description',
  'description',
  'first-paragraph',
  'address',
])
export type TextSource = z.infer<typeof TextSource>

/** Where a picture may come from. `og:image` stands for all forms of it. */
export const ImageSource = z.enum(['twitter:image', 'twitter:image:src', 'og:image', 'content-image'])
export type ImageSource = z.infer<typeof ImageSource>

/** How a place holds on to a copy of what it read once. */
export const CachePolicy = z.object({
  /** Days for which a copy is held when it is not asked for again. */
  days: figure(z.number()),
  /** Do links that are posted already change when the copy is renewed, or only new ones? */
  postedLinks: figure(z.enum(['renewed', 'kept'])),
  /** Asked again, does it renew text and picture together, or the text alone? */
  askingRenews: figure(z.enum(['text-and-picture', 'text'])),
  /** Is a picture that changed under the same address ever fetched again without being asked? */
  samePictureAddress: figure(z.enum(['kept', 'renewed'])),
  /** Are variants of an address (scheme, closing slash, query) held as copies of their own? */
  variants: figure(z.enum(['apart', 'together'])),
})
export type CachePolicy = z.infer<typeof CachePolicy>

/** What a place does to a picture before it shows it. */
export const Recompression = z.object({
  /** Longest side after scaling down, in pixels. */
  longestSide: figure(z.number().int()),
  /** JPEG quality, 1 to 100. */
  quality: figure(z.number().int()),
})
export type Recompression = z.infer<typeof Recompression>

export const Layout = z.enum(['wide', 'natural', 'thumbnail', 'text', 'bare', 'not-listed'])
export type Layout = z.infer<typeof Layout>

/** Type size and box width in CSS px of the place's own drawing; lines of text that it shows. */
export const BoxFigure = z.object({
  sizePx: z.number().positive(),
  weight: z.union([z.literal(400), z.literal(600), z.literal(700)]),
  widthPx: z.number().positive(),
  /** null where the place counts characters and breaks them into as many lines as it takes. */
  lines: z.number().int().positive().nullable(),
  /** The text is shown only when the title takes at most so many lines. */
  onlyIfTitleLines: z.number().int().positive().optional(),
  basis: Basis,
})
export type BoxFigure = z.infer<typeof BoxFigure>

/** Boxes of one layout; null where the place gives a part no room. */
const BoxPair = z.object({ title: BoxFigure.nullable(), description: BoxFigure.nullable() })

const Minimum = z.object({ width: z.number().int(), height: z.number().int() })

export const PictureRules = z.object({
  from: z.array(ImageSource),
  /** Below this the place drops the picture. */
  least: figure(Minimum),
  /** From this on the picture is shown large, where the layout allows it. */
  largeFrom: figure(Minimum),
  /** Width divided by height of the large picture's crop; null: its own ratio. */
  largeRatio: figure(z.number()).nullable(),
  /** Height divided by width beyond which a picture shown at its own ratio is clipped; null: never. */
  tallest: figure(z.number()).nullable(),
  /** Width divided by height beyond which a picture is not shown large; null: never. */
  widest: figure(z.number()).nullable(),
  thumbnailRatio: figure(z.number()),
  maxBytes: figure(z.number().int()).nullable(),
  /**
   * What a picture over `maxBytes` is. `error`: the place shows none. `warning`: it is dropped where links are sent by
   * people, who may send it again. `elsewhere`: another place with the same limit says it. Absent: an error.
   */
  overweight: z.enum(['error', 'warning', 'elsewhere']).optional(),
  maxSide: figure(z.number().int()).nullable(),
  refused: figure(z.array(ImageFormat)),
  /** Does the place complete an address that a tag gives in part, as /img/a.png? Where not, it shows no such picture. */
  completesAddresses: figure(z.boolean()).default({ value: true, basis: 'assumed' }),
})
export type PictureRules = z.infer<typeof PictureRules>

/** What a surface's id may be: it stands in addresses and in files. */
export const SURFACE_ID = /^[a-z][a-z0-9-]{0,60}$/

/** One mark of an icon, in units of a drawing 40 wide and 28 high. */
const IconMark = z.object({
  /** What it stands for: the picture, a line of text, a fainter one, or a frame around what follows. */
  as: z.enum(['picture', 'line', 'thin', 'outline']),
  x: z.number(),
  y: z.number(),
  width: z.number().positive(),
  height: z.number().positive(),
  corner: z.number().nonnegative().optional(),
})
export type IconMark = z.infer<typeof IconMark>

/** A place that shows links: everything its cards need to know of it. */
export const Surface = z.object({
  id: z.string().regex(SURFACE_ID, 'an id is made of small letters, digits and hyphens, and begins with a letter'),
  name: z.string(),
  /** One sentence for people: what kind of place, what it shows. */
  about: z.string(),
  /**
   * What it stands for wherever a few places have to do for all: on the approver’s screen, in a report. `kind`: places of
   * its kind. `habit`: places that go by other tags than most.
   */
  represents: z.enum(['kind', 'habit']).optional(),
  /** The geometry of its card in a few marks. Absent: drawn after its layout. */
  icon: z.array(IconMark).max(12).optional(),
  /** Crawler token that robots.txt and server rules go by; null where nothing is fetched by a crawler. */
  token: z.string().nullable(),
  /** Bytes of HTML that are read; null: all. */
  readsBytes: figure(z.number().int()).nullable(),
  repeats: figure(z.enum(['first', 'last'])),
  title: z.object({ from: z.array(TextSource), maxCharacters: figure(z.number().int()).nullable() }),
  description: z.object({ from: z.array(TextSource), maxCharacters: figure(z.number().int()).nullable() }),
  picture: PictureRules.nullable(),
  /**
   * What decides between large and small. `picture`: its size. `card-kind`: twitter:card, without which there is little
   * or nothing. `asked-large`: small unless twitter:card asks for the large card. `asked-small`: large unless it asks
   * for the small one. `thumbnail`: always small. `text`: no picture at all.
   */
  layoutBy: z.enum(['picture', 'card-kind', 'asked-large', 'asked-small', 'thumbnail', 'text']),
  siteLine: z.enum(['host', 'name', 'name-and-path', 'none']),
  /** Puts the text before a large picture, and a small one at its right. Absent: the picture comes first. */
  textFirst: z.boolean().optional(),
  /** Shows the page's favicon. */
  favicon: z.boolean(),
  /** Shows twitter:label and twitter:data in pairs. */
  labels: z.boolean(),
  /** Shows the page's theme-color as a swatch. */
  themeColor: z.boolean(),
  /** Lays out articles, products, recipes, places, films and apps with fields of their own. */
  richKinds: z.boolean(),
  /** A listing of pages: `noindex` keeps the page out of it. */
  isListing: z.boolean(),
  /** null where nothing is held (a browser's tab). */
  holding: CachePolicy.nullable(),
  /** null where no picture is shown. */
  recompression: Recompression.nullable(),
  boxes: z.object({
    wide: BoxPair.optional(),
    natural: BoxPair.optional(),
    thumbnail: BoxPair.optional(),
    text: BoxPair,
    /** A second, narrower drawing of the same card. */
    phone: BoxPair.optional(),
  }),
})
export type Surface = z.infer<typeof Surface>
