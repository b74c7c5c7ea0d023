import { z } from 'zod'
import { ImageFormat } from '../model'

/** How a figure is known: the place publishes it, practice reports it, or we take it to be so. */
export const Basis = z.enum(['documented', 'observed', 'assumed'])
export type Basis = z.infer<typeof Basis>

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

export const Layout = z.enum(['wide', 'natural', 'thumbnail', 'text', 'bare', 'not-listed'])
export type Layout = z.infer<typeof Layout>

/** Type size and box width in CSS px of the place's own drawing; lines of text that it shows. */
export const BoxFigure = z.object({
  sizePx: z.number().positive(),
  weight: z.union([z.literal(400), z.literal(600), z.literal(700)]),
  widthPx: z.number().positive(),
  lines: z.number().int().positive(),
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
  thumbnailRatio: figure(z.number()),
  maxBytes: figure(z.number().int()).nullable(),
  maxSide: figure(z.number().int()).nullable(),
  refused: figure(z.array(ImageFormat)),
})
export type PictureRules = z.infer<typeof PictureRules>

/** A place that shows links: everything its cards need to know of it. */
export const Surface = z.object({
  id: z.string(),
  name: z.string(),
  /** One sentence for people: what kind of place, what it shows. */
  about: z.string(),
  /** Crawler token that robots.txt and server rules go by; null where nothing is fetched by a crawler. */
  token: z.string().nullable(),
  /** Bytes of HTML that are read; null: all. */
  readsBytes: figure(z.number().int()).nullable(),
  repeats: figure(z.enum(['first', 'last'])),
  title: z.object({ from: z.array(TextSource), maxCharacters: figure(z.number().int()).nullable() }),
  description: z.object({ from: z.array(TextSource), maxCharacters: figure(z.number().int()).nullable() }),
  picture: PictureRules.nullable(),
  /** What decides between large and small: the picture's size, or the page's card kind. */
  layoutBy: z.enum(['picture', 'card-kind', 'text']),
  siteLine: z.enum(['host', 'name', 'name-and-path', 'none']),
  /** Shows the page's favicon. */
  favicon: z.boolean(),
  /** A listing of pages: `noindex` keeps the page out of it. */
  isListing: z.boolean(),
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
