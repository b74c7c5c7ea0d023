import type { Surface } from '../surface'
import { contrast, legibleOn } from './contrast'
import { firstTemplate, type PictureTemplate } from './template'

/** A way to set type and picture against each other, to begin from. */
export type Design = { id: string; name: string; template: PictureTemplate }

/** Does a page's own picture stand in it? */
export const wantsPicture = ({ background, panel }: Pick<PictureTemplate, 'background' | 'panel'>): boolean =>
  background.kind === 'picture' || panel !== undefined

/** Colour of a panel on a page that has no picture. */
export const panelColor = ({ accent, color }: Pick<PictureTemplate, 'accent' | 'color'>): string =>
  accent?.color ?? color

const PAPER = '#f4f1ea'
const INK = '#16201c'

/** The first of some colours that is seen on a ground without being read from it. */
const seenOn = (ground: string, colors: readonly string[]) =>
  colors.find((color) => contrast(ground, color) >= 1.8) ?? legibleOn(ground)

/**
 * Designs in a site's own colours: each sets type and picture against each other otherwise.
 *
 * @param color the site's own; null: ours
 * @param places of the site; ours without it
 */
export function designs(color: string | null, places?: readonly Surface[]): Design[] {
  const first = firstTemplate(color, places)
  const own = color ?? '#1d3b4f'
  const warm = '#e0a33a'
  const onOwn = { kind: 'rule' as const, color: seenOn(own, [warm, '#ffffff', INK]), size: 10 }
  const onPaper = { kind: 'rule' as const, color: seenOn(PAPER, [own, warm, INK]), size: 10 }
  const paper = { background: { kind: 'color' as const, color: PAPER }, color: INK }
  const onPicture = (strength: number, blur: number) => ({
    background: { kind: 'picture' as const, shade: '#0c1512', strength, blur },
    color: '#ffffff',
  })
  const title = (part: Partial<PictureTemplate['title']>) => ({ ...first.title, ...part })
  const mark = (place: 'top' | 'bottom') => ({ text: '{site}', height: 30, place })
  const line = { text: '{section}', size: 30 }
  const made: [id: string, name: string, change: Partial<PictureTemplate>][] = [
    ['plain', 'Words alone', { accent: onOwn }],
    [
      'beside',
      'Picture at the right',
      { panel: { side: 'right', share: 0.42 }, accent: onOwn, title: title({ largest: 76 }), mark: mark('top') },
    ],
    [
      'before',
      'Picture at the left',
      {
        ...paper,
        panel: { side: 'left', share: 0.38 },
        accent: onPaper,
        title: title({ largest: 76, at: 'middle' }),
        line,
      },
    ],
    [
      'above',
      'Picture above',
      {
        ...paper,
        panel: { side: 'top', share: 0.52 },
        accent: { ...onPaper, kind: 'edge', size: 18 },
        margin: 48,
        title: title({ largest: 64, lines: 2, at: 'middle' }),
        mark: undefined,
      },
    ],
    [
      'over',
      'Over the picture',
      {
        ...onPicture(0.5, 0),
        accent: { kind: 'edge', color: seenOn('#0c1512', [own, warm, '#ffffff']), size: 18 },
        title: title({ at: 'bottom' }),
        mark: mark('top'),
      },
    ],
    [
      'dusk',
      'Over the picture, blurred',
      {
        ...onPicture(0.55, 0.02),
        align: 'center',
        title: title({ at: 'middle', lines: 3 }),
        accent: { kind: 'rule', color: seenOn('#0c1512', [warm, own, '#ffffff']), size: 8 },
      },
    ],
    [
      'framed',
      'Framed',
      {
        background: { kind: 'gradient', from: own, to: '#0e1b24', angle: 160 },
        color: '#ffffff',
        align: 'center',
        accent: { kind: 'frame', color: seenOn('#0e1b24', [warm, '#ffffff']), size: 4 },
        title: title({ lines: 3 }),
        mark: mark('bottom'),
      },
    ],
    [
      'notice',
      'A notice',
      {
        ...paper,
        accent: { ...onPaper, kind: 'edge', size: 36 },
        margin: 84,
        title: title({ largest: 120, lines: 3, at: 'top', leading: 1.02 }),
        line,
        mark: mark('bottom'),
      },
    ],
  ]
  return made.map(([id, name, change]) => {
    const template = { ...first, ...change }
    // A gradient that the site's own colour begins may be too light to write on in white.
    const ground = template.background.kind === 'gradient' ? template.background.from : null
    const isRead = ground === null || contrast(ground, template.color) >= 4.5
    return { id, name, template: isRead ? template : { ...template, background: { kind: 'color', color: '#0e1b24' } } }
  })
}
