import { z } from 'zod'
import { Focus } from '../image'
import { type Surface, surfacesWith } from '../surface'
import { legibleOn } from './contrast'
import { keepZoneOf } from './keep-zone-guide'

const Colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'a colour is written #rrggbb')
const Side = z.number().int().min(16).max(4096)
const TypeSize = z.number().int().min(8).max(400)
/** Relative to the templates' file; it never leaves that file's folder. */
const NearFile = z
  .string()
  .regex(/^(?!.*(^|\/)\.\.(\/|$))[^/\\][^\\]*$/, 'a file is named relative to the templates, and lies beneath them')

export const Background = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('color'), color: Colour }),
  z.strictObject({
    kind: z.literal('gradient'),
    from: Colour,
    to: Colour,
    angle: z.number().int().min(0).max(359).describe('Degrees, clockwise; 0 goes upwards, 90 to the right.'),
  }),
  z
    .strictObject({
      kind: z.literal('picture'),
      shade: Colour.describe('Laid over the picture, and all there is where a page has none.'),
      strength: z.number().min(0).max(1).describe('0 leaves the picture as it is, 1 hides it.'),
      blur: z.number().min(0).max(0.1).describe('Share of the longer side.'),
    })
    .describe('The page’s own picture.'),
])
export type Background = z.infer<typeof Background>

const Face = z.strictObject({
  family: z.string().min(1).max(100),
  file: NearFile.optional().describe('Font file (WOFF2, WOFF, TTF, OTF) beside the templates.'),
  also: z
    .array(NearFile)
    .max(4)
    .optional()
    .describe('Font files for letters that it lacks, in the order in which they are asked; Arimo comes after them.'),
  weight: z.number().int().min(100).max(900),
})

const Panel = z
  .strictObject({
    side: z.enum(['left', 'right', 'top', 'bottom']),
    share: z.number().min(0.2).max(0.7).describe('Of the width, or of the height.'),
  })
  .describe(
    'The page’s own picture on one side; what is written stands beside it. A page without one has the accent’s colour there.',
  )

const Accent = z
  .strictObject({
    kind: z
      .enum(['rule', 'edge', 'frame'])
      .describe('A short rule over the title, a bar along the edge where lines begin, a frame.'),
    color: Colour,
    size: z.number().int().min(2).max(80).describe('How thick it is.'),
  })
  .describe('What sets the title off.')

/** How a section's share pictures are composed. Lengths are pixels of the shape. */
export const PictureTemplate = z.strictObject({
  shape: z.strictObject({ width: Side, height: Side }),
  background: Background,
  panel: Panel.optional(),
  accent: Accent.optional(),
  margin: z.number().int().min(0).max(400).describe('Kept free inside the zone that every place keeps.'),
  places: z.array(z.string()).optional().describe('Surfaces whose crops make the keep zone; all without it.'),
  face: Face,
  color: Colour.describe('Of all that is written.'),
  align: z.enum(['start', 'center']),
  title: z.strictObject({
    text: z.string().min(1).describe('A pattern; see title-patterns.md.'),
    largest: TypeSize,
    smallest: TypeSize,
    lines: z.number().int().min(1).max(8).describe('At most.'),
    leading: z.number().min(0.8).max(2).describe('From line to line, in type sizes.'),
    at: z.enum(['top', 'middle', 'bottom']),
  }),
  line: z
    .strictObject({ text: z.string().min(1).describe('A pattern.'), size: TypeSize })
    .optional()
    .describe('A second line, beneath the title.'),
  mark: z
    .strictObject({
      text: z.string().optional().describe('A pattern, mostly {site}.'),
      file: NearFile.optional().describe('Picture beside the templates.'),
      height: z.number().int().min(8).max(600),
      place: z.enum(['top', 'bottom']),
    })
    .optional()
    .describe('The site’s mark.'),
  folder: z
    .string()
    .regex(/^(?:[\w-][\w.-]*\/)*$/, 'a folder beneath the site ends with / and begins without')
    .describe('Where the pictures lie in the build.'),
  type: z.enum(['jpeg', 'png', 'webp']),
  budget: z.number().int().min(5000).max(5_000_000).describe('Bytes at most.'),
})
export type PictureTemplate = z.infer<typeof PictureTemplate>

/** `nimble-parrot-pictures.json`, beside the requirements. */
export const PictureTemplates = z.strictObject({
  $schema: z.string().optional(),
  format: z.literal('nimble-parrot-picture-templates'),
  version: z.literal(1),
  sections: z.record(z.string(), PictureTemplate).describe('By section, as a run names it.'),
  focuses: z
    .record(z.string(), Focus)
    .optional()
    .describe('What crops of pages’ own pictures keep, by their addresses; the middle without one.'),
})
export type PictureTemplates = z.infer<typeof PictureTemplates>

const FIRST_SHAPE = { width: 1200, height: 630 }
/** Share of the width that a place keeps which shows the picture large. */
const NEARLY_ALL = 0.9

/** Places that show a picture large: a title uses its whole width there. One that cuts a square from it loses the ends. */
const showingLarge = (places: readonly Surface[]) =>
  places.flatMap((surface) => {
    const zone = keepZoneOf(FIRST_SHAPE, [surface], 'summary_large_image')
    return zone && zone.width >= NEARLY_ALL * FIRST_SHAPE.width ? [surface.id] : []
  })

/**
 * Where somebody begins.
 *
 * @param color the site’s own, if it names one
 * @param places of the site
 */
export function firstTemplate(color: string | null, places: readonly Surface[] = surfacesWith([])): PictureTemplate {
  const ground = color ?? '#1d3b4f'
  return {
    shape: FIRST_SHAPE,
    background: { kind: 'color', color: ground },
    margin: 64,
    places: showingLarge(places),
    face: { family: 'Arimo', weight: 700 },
    color: legibleOn(ground),
    align: 'start',
    title: { text: '{title}', largest: 104, smallest: 40, lines: 4, leading: 1.12, at: 'middle' },
    mark: { text: '{site}', height: 30, place: 'bottom' },
    folder: 'share/',
    type: 'jpeg',
    budget: 100_000,
  }
}
