type AreaRecord = {
  /** First folder of its address. */
  id: string
  name: string
  /** The letter that goes to it, after G; null where it is come to by a card. */
  letter: string | null
}

/**
 * The areas of the app, in the order of the work: each is declared here, and the top bar, the jump box, keys, their help,
 * titles and addresses follow. What it shows is given in src/ui/app.tsx.
 */
export const areas = [
  { id: 'gather', name: 'Gather', letter: 'g' },
  { id: 'wall', name: 'Wall', letter: 'w' },
  { id: 'page', name: 'Page', letter: null },
  { id: 'causes', name: 'Causes', letter: 'c' },
  { id: 'pictures', name: 'Pictures', letter: 'p' },
  { id: 'drafts', name: 'Drafts', letter: 'e' },
  { id: 'drift', name: 'Drift', letter: 'd' },
  { id: 'clearance', name: 'Clearance', letter: 'l' },
] as const satisfies readonly AreaRecord[]

export type Area = (typeof areas)[number]['id']

/** Areas that are gone to by themselves, not by a card: the stops of the track. */
export const stops = areas.filter(({ letter }) => letter !== null)

/** The area that the app begins with; its address is the root. */
export const FIRST_AREA: Area = 'gather'

/** The area of an id; null where there is none. */
export const areaOf = (id: string): (typeof areas)[number] | null => areas.find((area) => area.id === id) ?? null

/** The area that a letter goes to, after G; null where it goes nowhere. */
export const areaOfLetter = (letter: string): Area | null => areas.find((area) => area.letter === letter)?.id ?? null
