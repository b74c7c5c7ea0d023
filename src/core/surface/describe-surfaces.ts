import type { BoxFigure, Figure, Surface } from './profile'

const basis = <T>(figure: Figure<T> | null, say: (value: T) => string): string =>
  figure ? `${say(figure.value)} (${figure.basis})` : '–'

const size = ({ width, height }: { width: number; height: number }) =>
  height <= 1 ? `${width} px wide` : `${width} × ${height} px`

const box = (figure: BoxFigure | null) => {
  if (!figure) return 'not shown'
  const lines =
    figure.lines === null ? 'as many lines as it takes' : `${figure.lines} line${figure.lines === 1 ? '' : 's'}`
  const only = figure.onlyIfTitleLines ? ', only when the title takes one' : ''
  return `${figure.sizePx} px, weight ${figure.weight}, ${figure.widthPx} px wide, ${lines}${only} (${figure.basis})`
}

const LAYOUT_BY: Record<Surface['layoutBy'], string> = {
  picture: 'the picture’s size',
  'card-kind': '`twitter:card`; without it a small card if there is any Open Graph tag, else a bare link',
  'asked-large': 'small, unless `twitter:card` is `summary_large_image`',
  'asked-small': 'large, unless `twitter:card` is `summary`',
  thumbnail: 'always small',
  text: 'no picture',
}

const sources = (list: readonly string[]) =>
  list.length > 0 ? list.map((source) => `\`${source}\``).join(', ') : 'none'

function pictureRows({ picture }: Surface): string[][] {
  if (!picture) return []
  return [
    ['Picture from', sources(picture.from)],
    ['Dropped below', basis(picture.least, size)],
    ['Large from', basis(picture.largeFrom, size)],
    ['Shape when large', picture.largeRatio ? basis(picture.largeRatio, (ratio) => `${ratio} : 1`) : 'its own'],
    ...(picture.tallest ? [['Clipped beyond', basis(picture.tallest, (ratio) => `1 : ${ratio}`)]] : []),
    ...(picture.widest ? [['Not large beyond', basis(picture.widest, (ratio) => `${ratio} : 1`)]] : []),
    ['Shape when small', basis(picture.thumbnailRatio, (ratio) => `${ratio} : 1`)],
    [
      'At most',
      [basis(picture.maxBytes, (bytes) => `${bytes / 1_000_000} MB`), basis(picture.maxSide, (px) => `${px} px`)]
        .filter((text) => text !== '–')
        .join(', ') || 'not known',
    ],
    ['Formats refused', basis(picture.refused, (formats) => formats.join(', '))],
    [
      'An address in part',
      basis(picture.completesAddresses, (does) => (does ? 'is completed' : 'is not: no picture is shown from it')),
    ],
  ]
}

function habitRows({ holding, recompression }: Surface): string[][] {
  return [
    ...(holding
      ? [
          ['Holds a copy for', basis(holding.days, (days) => `about ${days} day${days === 1 ? '' : 's'}`)],
          [
            'Links posted already',
            basis(holding.postedLinks, (habit) => (habit === 'kept' ? 'stay as they are' : 'are renewed')),
          ],
          [
            'Asked again',
            basis(holding.askingRenews, (what) => (what === 'text' ? 'renews the text' : 'renews text and picture')),
          ],
          [
            'Picture changed under its address',
            basis(holding.samePictureAddress, (habit) =>
              habit === 'kept' ? 'is not fetched again' : 'is fetched again',
            ),
          ],
          ['Variants of an address', basis(holding.variants, (habit) => `are held ${habit}`)],
        ]
      : []),
    ...(recompression
      ? [
          [
            'Pictures become',
            `${basis(recompression.longestSide, (px) => `${px} px on the longest side`)}, JPEG quality ${basis(recompression.quality, String)}`,
          ],
        ]
      : []),
  ]
}

function describeSurface(surface: Surface, key: string): string {
  const boxes = Object.entries(surface.boxes).flatMap(([layout, pair]) =>
    pair
      ? [
          [`Title, ${layout}`, box(pair.title)],
          [`Description, ${layout}`, box(pair.description)],
        ]
      : [],
  )
  const rows = [
    ['Crawler', surface.token ? `\`${surface.token}\`` : 'none'],
    [
      'Reads',
      surface.readsBytes
        ? basis(surface.readsBytes, (bytes) => `the first ${bytes / 1024} KiB of HTML`)
        : 'all of the HTML',
    ],
    ['Of repeated tags', basis(surface.repeats, (which) => `the ${which} counts`)],
    [
      'Title from',
      `${sources(surface.title.from)}${surface.title.maxCharacters ? `, at most ${basis(surface.title.maxCharacters, (most) => `${most} characters`)}` : ''}`,
    ],
    [
      'Description from',
      `${sources(surface.description.from)}${surface.description.maxCharacters ? `, at most ${basis(surface.description.maxCharacters, (most) => `${most} characters`)}` : ''}`,
    ],
    ['Large or small', LAYOUT_BY[surface.layoutBy]],
    ...pictureRows(surface),
    ['Site line', surface.siteLine === 'name-and-path' ? 'name and path' : surface.siteLine],
    [
      'Also shows',
      [
        surface.favicon && 'the favicon',
        surface.labels && '`twitter:label` and `twitter:data`',
        surface.themeColor && 'the theme colour',
        surface.richKinds && 'fields of articles, products, recipes, places, films, apps',
      ]
        .filter(Boolean)
        .join(', ') || 'nothing else',
    ],
    ...boxes,
    ...habitRows(surface),
  ]
  const table = rows.map(([name, value]) => `| ${name} | ${value} |`).join('\n')
  return `## ${surface.name}\n\n\`${surface.id}\`, key ${key}. ${surface.about}\n\n| | |\n|---|---|\n${table}\n`
}

/** All surfaces as a page of Markdown: what docs/surfaces.md holds. */
export function describeSurfaces(surfaces: readonly Surface[]): string {
  const intro = `# Surfaces

Written by \`npm run docs\` from the profiles in \`src/core/surface/profiles\`; change it there.

A surface is a place that shows a shared link. Every figure says how it is known: **documented** (the place publishes it), **observed** (practice reports it) or **assumed** (we take it to be so). Sizes of type and boxes are those of the place's own drawing, in CSS pixels; texts are measured with Arimo (Arabic and Thai with Noto Sans, Chinese and Japanese as full squares), so where they are cut is known about, not to the letter. MB is 1,000,000 bytes, KiB is 1024.
`
  return [intro, ...surfaces.map((surface, index) => describeSurface(surface, String((index + 1) % 10)))].join('\n')
}
