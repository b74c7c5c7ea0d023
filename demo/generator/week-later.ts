import type { Entry } from './content'
import type { Variation } from './site'
import { type Trouble, troubles } from './troubles'

/** What was edited in the week after the launch, for the list of it. */
export const edits = [
  'guides/rewire-a-lamp and guides/sharpen-a-chisel are mended, and about has its own title again.',
  'news/winter-hours says new hours, in its title and its description.',
  'workshops/lamp-clinic has another picture under the address of the old one.',
  'guides/patch-a-tent is now at guides/patch-a-tent-or-tarp.',
  'news/new-page-3, which was never finished, is gone; news/tool-room is new.',
]

const mended = new Set(['guides/rewire-a-lamp.html', 'about.html', 'news/new-page-3.html'])

/** The chisel's tags name the file that is there. */
const mendedChisel: Trouble = {
  file: 'guides/sharpen-a-chisel.html',
  what: '',
  edit: (head, site) => head.set('og:image', `${site}img/chisels.webp`),
  finds: [],
}

const toolRoom: Entry = {
  slug: 'tool-room',
  title: 'The tool room is open',
  description: 'Three benches, one sink, forty hooks: what is in the new tool room, and when you can use it.',
  lead: 'The new tool room has three benches, a sink, and a hook for every hammer. It opens with the hall.',
  motif: 'wrench',
  palette: 'linen',
  alt: 'Wrenches on the wall of the new room',
}

const changes: Record<string, Partial<Entry>> = {
  'winter-hours': {
    title: 'Winter hours: open until nine on Thursdays',
    description: 'From December the hall opens at noon, and on Thursdays the lights stay on until nine in the evening.',
  },
  // The file keeps its name: a place that holds the old one has no reason to fetch it again.
  'lamp-clinic': { palette: 'amber' },
  'patch-a-tent': { slug: 'patch-a-tent-or-tarp' },
}

function edit(section: string, entries: Entry[]): Entry[] {
  const kept = entries
    .filter(({ slug }) => slug !== 'new-page-3')
    .map((entry) => ({ ...entry, ...changes[entry.slug] }))
  return section === 'news' ? [...kept, toolRoom] : kept
}

/** The site a week after its launch: some of it mended, some of it edited. */
export const weekLater: Variation = {
  troubles: troubles
    .filter(({ file }) => !mended.has(file))
    .map((trouble) => (trouble.file === mendedChisel.file ? mendedChisel : trouble)),
  edit,
}
